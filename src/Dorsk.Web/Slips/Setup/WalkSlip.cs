using Dorsk.Core.People;
using Dorsk.Core.Ponds;

namespace Dorsk.Web.Slips;

/// <summary>The order in which ponds are walked.</summary>
internal sealed class WalkSlip : ISlip
{
    public string Key => "walk";

    public string Title => "Walking order";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(WalkSet);

    public string Section => "";

    public string After => "/day";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Clean before sick: ponds held apart, and those with sick fish, come last; own boots and nets there.";

    public string? CannotStart(SlipContext c) => c.Questions.Ponds().Count == 0 ? "No pond is described yet." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [
            new SlipField(
                "Order",
                "Ponds, the first stop first",
                FieldKind.Order,
                string.Join(
                    ' ',
                    c.Old<WalkSet>() is { } old
                        ? old
                            .Ponds.Select(id => c.Questions.Ponds().FirstOrDefault(p => p.Id == id)?.Code)
                            .OfType<string>()
                        : c.Questions.Ponds().Select(p => p.Code)
                ),
                Hint: "codes with blanks between; those left out come last",
                Options: [.. c.Questions.Ponds().Select(p => (p.Code, p.Code))]
            ),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var ponds = c.Questions.Ponds();
        var ids = new List<long>();
        foreach (var code in form.Text("Order").Split([' ', ','], StringSplitOptions.RemoveEmptyEntries))
            if (ponds.FirstOrDefault(p => string.Equals(p.Code, code, StringComparison.OrdinalIgnoreCase)) is { } pond)
                ids.Add(pond.Id);
            else
                form.Refuse(
                    "Order",
                    $"“{code}” is no pond here. Known: {string.Join(" ", ponds.Select(p => p.Code))}."
                );
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [new WalkSet(ids)], $"walk {form.Text("Order")}", []);
    }
}
