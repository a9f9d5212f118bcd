using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Ponds;

/// <summary>The farm's own values of species, limits of the water and feeding tables.</summary>
internal static class SettingsFacts
{
    public static readonly FactTable<SpeciesValueSet> SpeciesValue = new FactTable<SpeciesValueSet>(
        "species_value",
        "species value",
        Reach.Farm
    )
        .Species("species", v => v.SpeciesKey)
        .Column("field", v => v.Field)
        .Column("value", v => v.Value)
        .ReadBy(r => new(r.Text("species"), r.Text("field"), r.MaybeReal("value")))
        .CheckedBy(
            (desk, v) => Core.Species.SpeciesValue.Check(v, Would(desk, v.SpeciesKey, null, [v], []), desk.Hand)
        );

    public static readonly FactTable<LimitSet> Limit = new FactTable<LimitSet>("limit_set", "limit")
        .Pond("pond", l => l.PondId)
        .Species("species", l => l.SpeciesKey)
        .Column("stage", l => l.Stage)
        .Column("name", l => l.Limit)
        .Column("value", l => l.Value)
        .ReadBy(r =>
            new(
                r.MaybeLong("pond"),
                r.Text("species"),
                r.Word<LifeStage>("stage"),
                r.Text("name"),
                r.MaybeReal("value")
            )
        )
        .CheckedBy(CheckLimit);

    public static readonly FactTable<FeedTableSet> FeedTable = new FactTable<FeedTableSet>(
        "feed_table",
        "feeding table",
        Reach.Farm
    )
        .Species("species", t => t.SpeciesKey)
        .Rows(
            "feed_table_row",
            t => t.Rows,
            ("from_g", x => x.FromG),
            ("pellet_low_mm", x => x.PelletLowMm),
            ("pellet_high_mm", x => x.PelletHighMm),
            ("protein_pct", x => x.ProteinPct),
            ("ration_pct", x => x.RationPct),
            ("temp_c", x => x.TempC)
        )
        .ReadBy(r =>
            new(
                r.Text("species"),
                r.Rows("feed_table_row", x => new FeedTableRow(
                    x.Real("from_g"),
                    x.Real("pellet_low_mm"),
                    x.Real("pellet_high_mm"),
                    x.Real("protein_pct"),
                    x.Real("ration_pct"),
                    x.Real("temp_c")
                ))
            )
        )
        .CheckedBy((_, t) => t.Check());

    public static readonly FactTable<OwnSpecies> Own = new FactTable<OwnSpecies>(
        "own_species",
        "own species",
        Reach.Farm
    )
        .Column("name", s => s.Name)
        .Column("species", s => s.BaseKey)
        .Column("scientific", s => s.Scientific)
        .Column("source", s => s.Source)
        .ReadBy(r => new(r.Text("name"), r.Text("species"), r.Text("scientific"), r.Text("source")))
        .CheckedBy(CheckOwn)
        .VoidedBy((desk, s, _) => Unused(desk, s));

    public static IReadOnlyList<FactKind> Kinds { get; } = [SpeciesValue, Limit, FeedTable, Own];

    // Name and the species it was copied from are its key: what is written of it holds on to them.
    private static IEnumerable<Remark> CheckOwn(Desk desk, OwnSpecies own)
    {
        if (
            desk.Corrects is { } line
            && Own.ReadIfSound(desk.Connection, line) is OwnSpecies old
            && old.Key != own.Key
            && Unused(desk, old).FirstOrDefault() is { } used
        )
            return [used with { Field = "Name" }];
        return own.Check([
            .. FishSpecies.All.Select(s => s.Name),
            .. SettingsQuestions.Own(desk.Connection, desk.AsOf.Known).Select(s => s.Name),
        ]);
    }

    private static IEnumerable<Remark> Unused(Desk desk, OwnSpecies own) =>
        LogUse.OfSpecies(desk.Connection, own.Key, Kinds) is { Count: > 0 } lines
            ?
            [
                Remark.Refuse(
                    "",
                    $"{own.Name} is named by {(lines.Count == 1 ? "line" : "lines")} {string.Join(", ", lines)}: it keeps its name and the species it was copied from. Take those lines back first."
                ),
            ]
            : [];

    private static IEnumerable<Remark> CheckLimit(Desk desk, LimitSet limit)
    {
        var species = Would(desk, limit.SpeciesKey, limit.PondId, [], [limit]);
        var known = species is null || !Enum.IsDefined(limit.Stage) ? null : WaterLimits.For(species, limit.Stage);
        return WaterLimit.Check(limit, known, desk.Hand);
    }

    /// <summary>The species as it would be with the new values.</summary>
    private static FishSpecies? Would(Desk desk, string key, long? pond, SpeciesValueSet[] value, LimitSet[] limit)
    {
        if (FishSpecies.Find(key) is not { } species)
            return null;
        var values = SettingsQuestions.Values(desk.Connection, desk.AsOf.Known);
        var limits = SettingsQuestions
            .Limits(desk.Connection, desk.AsOf.Known)
            .Where(l => l.PondId is null || l.PondId == pond);
        return FarmSpecies.Of(species, [.. values, .. value], [.. limits, .. limit]);
    }
}
