using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>An order of a buyer.</summary>
internal sealed class FishOrderSlip : ISlip
{
    public string Key => "order";

    public Permission Needs => Permission.Manage;

    public string Title => "Order";

    public string Button => "Save this order";

    public bool OfPond => false;

    public string FactKind => nameof(FishOrdered);

    public string Section => "";

    public string After => "/orders";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Buyers().Count == 0 ? "No buyer is described yet. Describe one first." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<FishOrdered>();
        return
        [
            Buyers.Field(c, old?.BuyerId, "choose"),
            c.Fish("Species", "Fish", old?.SpeciesKey ?? c.Here.AllSpecies[0].Key),
            c.Choice(
                "Form",
                "Form",
                (old?.Form ?? FishForm.WholeOnIce).ToString(),
                [.. SaleWords.Forms.Select(f => (f.Key, f.Word))]
            ),
            c.Quantity("Mass", "Mass, as it is sold", Measures.Mass, old?.Kg),
            c.Quantity("From", "Average weight at least", Measures.FishWeight, old?.FromG ?? 0).WithHint("0: any size"),
            c.Whole("Count", "Or so many fish", old?.Count?.ToString(CultureInfo.InvariantCulture) ?? "")
                .WithHint("fingerlings: number by that weight, in place of the mass"),
            c.Quantity("Area", "Surface of the customer's pond", Measures.Area, old?.CustomerM2)
                .WithHint("for fish that are stocked again: held against the stocking densities"),
            c.Day("Due", "Wanted on", old?.Due ?? c.Here.Today.AddDays(7)),
            c.Words("Note", "Remark", old?.Note ?? ""),
            .. old is null ? Array.Empty<SlipField>() : [c.Yes("Dropped", "Called off", old.Dropped ? "true" : "")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var species = form.Fish("Species");
        var fromG = form.MaybeQuantity("From", Measures.FishWeight) ?? 0;
        var count = form.MaybeWhole("Count", "fish");
        if (count is not null && fromG <= 0)
            form.Refuse("From", "The average weight, so that so many fish have a mass.");
        var fact = new FishOrdered(
            c.Old<FishOrdered>()?.OrderId ?? 0,
            Buyers.Read(form, c) ?? 0,
            species.Key,
            form.Choice("Form", [.. SaleWords.Forms.Select(f => (f.Key, f.Form))], "form", FishForm.WholeOnIce),
            fromG,
            count is { } n ? n * fromG / 1000 : form.Quantity("Mass", Measures.Mass),
            form.Day("Due"),
            form.Yes("Dropped"),
            form.Text("Note")
        )
        {
            Count = count,
            CustomerM2 = form.MaybeQuantity("Area", Measures.Area),
        };
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"order {form.Text("Mass")}{form.Text("Count")}",
            [.. Told(c, species, fact)]
        );
    }

    private static IEnumerable<Computed> Told(SlipContext c, FishSpecies species, FishOrdered order)
    {
        if (order.Count is not null)
            yield return new("Mass", c.Here.Say(order.Kg, Measures.Mass));
        if (order.CustomerM2 is > 0 and { } m2 && CustomerPond.Of(species, m2, aerated: false) is { } bears)
            yield return new(
                "Their pond bears",
                $"{c.Here.Count(bears.Usual)} ({c.Here.Count(bears.Low)} to {c.Here.Count(bears.High)}), without aerator: {bears.School.Name}"
            );
    }
}
