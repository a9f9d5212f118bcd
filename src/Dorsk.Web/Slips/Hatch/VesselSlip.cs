using Dorsk.Core.Hatchery;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A vessel of the hatchery, or a nest.</summary>
internal sealed class VesselSlip : ISlip
{
    public string Key => "vessel";

    public Permission Needs => Permission.Manage;

    public string Title => "Vessel or nest";

    public string Button => "Save this vessel";

    public bool OfPond => false;

    public string FactKind => nameof(VesselDescribed);

    public string Section => "";

    public string After => "/hatchery";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<VesselDescribed>();
        return
        [
            c.Choice("Kind", "What it is", f?.Kind ?? VesselKind.Trough, HatchWord.Options(HatchWord.Vessels)),
            c.Words("Name", "Name on it", f?.Name ?? ""),
            c.Choice("Before", "What it held before", f?.Before ?? HeldBefore.New, HatchWord.Options(HatchWord.Before)),
            c.Quantity("Depth", "Depth of water", Measures.Length, f?.DepthM).WithHint("in it, or over a nest"),
            c.Heading("Trough, jar, tank, pool"),
            c.Quantity("Water", "Water in it", Measures.SmallVolume, f?.WaterM3),
            c.Quantity("Flow", "Flow through it", Measures.Flow, f?.FlowM3H),
            c.Whole("Baskets", "Baskets for egg masses", f is { Baskets: > 0 } ? f.Baskets : null)
                .WithHint("in a trough"),
            c.Heading("Nest"),
            HatchLines.Pond(c, "Pond", f?.PondId, "no nest"),
            c.Quantity("Spacing", "To the next nest", Measures.Length, f?.SpacingM),
            c.Yes("Mouth", "Mouth to the middle of the pond", f?.MouthToCentre == true ? "true" : ""),
            c.Quantity("Along", "Place along the pond", Measures.Share, f?.Spot is { } s ? 100 * s.Along : null)
                .WithHint("0 inflow, 100 outlet; for the map"),
            c.Quantity("Across", "Place across the pond", Measures.Share, f?.Spot is { } t ? 100 * t.Across : null),
            .. f is null ? Array.Empty<SlipField>() : [c.Yes("Gone", "No longer used", f.Gone ? "true" : "")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = HatchWord.Read(form, "Kind", HatchWord.Vessels, "kind");
        var nest = kind == VesselKind.Nest;
        var (along, across) = (
            form.MaybeQuantity("Along", Measures.Share),
            form.MaybeQuantity("Across", Measures.Share)
        );
        foreach (var (field, share) in new[] { ("Along", along), ("Across", across) })
            if (share is < 0 or > 100)
                form.Refuse(field, "0 to 100.");
        var fact = new VesselDescribed(
            c.Old<VesselDescribed>()?.VesselId ?? 0,
            kind,
            form.Text("Name"),
            nest ? 0 : form.Quantity("Water", Measures.SmallVolume),
            nest ? 0 : form.MaybeQuantity("Flow", Measures.Flow) ?? 0,
            nest ? HatchLines.ReadPond(form, c) : null,
            HatchWord.Read(form, "Before", HatchWord.Before, "content"),
            form.Yes("Gone")
        )
        {
            DepthM = form.MaybeQuantity("Depth", Measures.Length) ?? 0,
            Baskets = nest ? 0 : form.MaybeWhole("Baskets", "baskets") ?? 0,
            SpacingM = nest ? form.MaybeQuantity("Spacing", Measures.Length) : null,
            MouthToCentre = nest && form.Yes("Mouth"),
            Spot = nest && along is { } a && across is { } b ? (a / 100, b / 100) : null,
        };
        List<Computed> told = fact.TurnoverMin is { } minutes
            ? [new("Turned over in", $"{c.Here.Count(Math.Round(minutes))} minutes")]
            : [];
        told.AddRange(fact.Standing(c.Here.Hand).Select(j => new Computed("Nest", j.Reason)));
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [fact], $"vessel {fact.Name}", told);
    }
}
