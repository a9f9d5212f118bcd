using System.Globalization;
using Dorsk.Core.People;

namespace Dorsk.Web.Slips;

/// <summary>A fish doctor or adviser in the farm's book.</summary>
internal sealed class AdviserSlip : ISlip
{
    private static readonly (AdviserKind Kind, string Word)[] Kinds =
    [
        (AdviserKind.FishDoctor, "fish doctor, vet"),
        (AdviserKind.Adviser, "adviser: extension service, hatchery, feed mill"),
        (AdviserKind.Laboratory, "laboratory"),
        (AdviserKind.Authority, "authority: permits, diseases to report"),
    ];

    public string Key => "adviser";

    public Permission Needs => Permission.Manage;

    public string Title => "Fish doctor or adviser";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(AdviserDescribed);

    public string Section => "";

    public string After => "/fish-health";

    /// <summary>A kind in words.</summary>
    public static string Word(AdviserKind kind) => Kinds.First(k => k.Kind == kind).Word;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<AdviserDescribed>();
        return
        [
            c.Words("Name", "Name", f?.Name ?? ""),
            c.Choice("Kind", "Kind", f?.Kind ?? AdviserKind.FishDoctor, HatchWord.Options(Kinds)),
            c.Words("Phone", "Telephone", f?.Phone ?? ""),
            c.Words("About", "Where, and what they know", f?.About ?? ""),
            c.Yes("Dropped", "Not asked any more", f?.Dropped == true ? "true" : ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new AdviserDescribed(
            c.Old<AdviserDescribed>()?.AdviserId ?? 0,
            form.Text("Name"),
            HatchWord.Read(form, "Kind", Kinds, "kind"),
            form.Text("Phone"),
            form.Text("About"),
            form.Yes("Dropped")
        );
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [fact], $"adviser {fact.Name}", []);
    }
}

/// <summary>What an adviser said, kept with the batch.</summary>
internal sealed class AdviceSlip : ISlip
{
    public string Key => "advice";

    public string Title => "Advice";

    public string Button => "Save this advice";

    public bool OfPond => true;

    public string FactKind => nameof(AdviceKept);

    public string Section => "health";

    public string Caution =>
        "Medicine only by its label and a vet's word; what is said here changes no withdrawal time.";

    public string? CannotStart(SlipContext c) =>
        Lines.NoFish(c)
        ?? (
            c.Questions.Advisers().Count == 0
                ? "No fish doctor or adviser is in the book yet. A manager enters them first (Health)."
                : null
        );

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<AdviceKept>();
        return
        [
            .. Lines.When(c),
            Lines.Batch(c, f?.BatchId),
            c.Choice("Adviser", "Who said it", Text(f?.AdviserId ?? 0), [.. Book(c).Select(a => (Text(a.Id), a.Name))]),
            c.Words("Text", "What they said", f?.Text ?? ""),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new AdviceKept(
            c.PondId,
            Lines.ReadBatch(form, c),
            form.Choice("Adviser", [.. Book(c).Select(a => (Text(a.Id), a.Id))], "adviser", 0L),
            form.Text("Text")
        );
        return new(form.When(), [fact], $"{c.Story!.Pond.Code} advice {fact.Text}", []);
    }

    private static IEnumerable<(long Id, string Name)> Book(SlipContext c) =>
        c
            .Questions.Advisers()
            .Where(a => !a.Adviser.Dropped || a.Adviser.AdviserId == c.Old<AdviceKept>()?.AdviserId)
            .Select(a => (a.Adviser.AdviserId, a.Adviser.Name));

    private static string Text(long id) => id == 0 ? "" : id.ToString(CultureInfo.InvariantCulture);
}
