using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Who built a pond or tank, and on what terms.</summary>
internal sealed class BuilderSlip : ISlip
{
    public string Key => "builder";

    public string Title => "Who built it";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(PondBuiltBy);

    public string Section => "water";

    public string After => "/setup/builders";

    public Permission Needs => Permission.Manage;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<PondBuiltBy>();
        return
        [
            c.Words("Builder", "Builder", old?.Builder ?? "").WithHint("name or firm; yourself counts too"),
            c.Day("BuiltOn", "Handed over on", old?.BuiltOn),
            c.Quantity("Price", "Price", Measures.Price, old?.Price)
                .WithHint(c.Here.Farm!.Currency + "; may stay empty"),
            c.Day("GuaranteeTo", "Guarantee to", old?.GuaranteeTo).WithHint("empty: none"),
            c.Words("Terms", "Terms", old?.Terms ?? "")
                .WithHint("who buys materials, what is guaranteed, what was left open"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new PondBuiltBy(
            c.PondId,
            form.Text("Builder"),
            form.Day("BuiltOn"),
            form.MaybeQuantity("Price", Measures.Price),
            form.Empty("GuaranteeTo") ? null : form.Day("GuaranteeTo"),
            form.Text("Terms")
        );
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [fact], $"{c.Story!.Pond.Code} built by {fact.Builder}", []);
    }
}
