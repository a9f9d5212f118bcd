using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Ponds;

/// <summary>The farm's description, its ponds, what is fitted to them, and work at them.</summary>
internal static class FarmFacts
{
    public static readonly FactTable<FarmDescribed> Described = new FactTable<FarmDescribed>(
        "farm",
        "farm described",
        Reach.Farm
    )
        .Column("name", f => f.Name)
        .Column("place_name", f => f.PlaceName)
        .Column("latitude", f => f.Place.LatitudeDeg)
        .Column("longitude", f => f.Place.LongitudeDeg)
        .Column("altitude_m", f => f.AltitudeM)
        .Column("zone", f => f.ZoneId)
        .Column("units", f => f.Hand.System)
        .Column("decimal_sign", f => f.Hand.Sign)
        .Column("currency", f => f.Currency)
        .Column("kwh_price", f => f.KWhPrice)
        .Column("areas_square", f => f.Hand.Square)
        .Column("place_guessed", f => f.PlaceGuessed)
        .Column("altitude_guessed", f => f.AltitudeGuessed)
        .ReadBy(r =>
            new(
                r.Text("name"),
                r.Text("place_name"),
                new(r.Real("latitude"), r.Real("longitude")),
                r.Real("altitude_m"),
                r.Text("zone"),
                new(r.Word<UnitSystem>("units"), r.Word<DecimalSign>("decimal_sign"), r.Yes("areas_square")),
                r.Text("currency"),
                r.MaybeReal("kwh_price")
            )
            {
                PlaceGuessed = r.Yes("place_guessed"),
                AltitudeGuessed = r.Yes("altitude_guessed"),
            }
        )
        .CheckedBy((_, f) => FarmRules.Check(f))
        .VoidedBy(
            (desk, _, _) =>
                FarmQuestions.Farm(desk.Connection, desk.AsOf.Known) is null
                    ? [Remark.Refuse("", "This is the only description of the farm. Correct it instead.")]
                    : []
        );

    public static readonly FactTable<PondBuilt> Built = new FactTable<PondBuilt>("pond", "pond described")
        .Itself("pond", f => f.Pond.Id, Refers.Pond)
        .Column("code", f => f.Pond.Code.Trim().ToUpperInvariant())
        .Column("name", f => f.Pond.Name)
        .Column("kind", f => f.Pond.Kind)
        .Column("use", f => f.Pond.Use)
        .Column("shape", f => f.Pond.Shape.GetType().Name)
        .Column("length_m", f => (f.Pond.Shape as SlopedRectangle)?.LengthM)
        .Column("width_m", f => (f.Pond.Shape as SlopedRectangle)?.WidthM)
        .Column("diameter_m", f => (f.Pond.Shape as RoundTank)?.DiameterM)
        .Column("depth_m", f => f.Pond.Shape.FullDepthM)
        .Column("slope", f => (f.Pond.Shape as SlopedRectangle)?.Slope ?? (f.Pond.Shape as OutlinePond)?.Slope)
        .Column("outline", f => OutlineOf(f.Pond.Shape) is { } outline ? Pairs.Write(outline.CornersM) : null)
        .Column("landing_depth_m", f => f.Pond.LandingDepthM)
        .Column("colour_target", f => f.Pond.ColourTarget)
        .Column("mean_depth_m", f => (f.Pond.Shape as MeanDepthPond)?.MeanDepth)
        .Column("depth_table", f => f.Pond.Shape is TablePond table ? Pairs.Write(table.Levels) : null)
        .Column("fish_share", f => f.Pond.Split?.FishShare)
        .Column("paddle_m3_h", f => f.Pond.Split?.PaddleM3H)
        .ReadBy(r => new(PondOf(r)))
        .CheckedBy(
            (desk, f) =>
                FarmRules.Check(f.Pond, OtherCodes(desk, f.Pond)).Concat(ColourTarget.Check(f.Pond.ColourTarget))
        )
        .VoidedBy(StillNeeded);

    public static readonly FactTable<AeratorsFitted> Aerators = new FactTable<AeratorsFitted>(
        "aerators_fitted",
        "aerators"
    )
        .Pond("pond", f => f.PondId)
        .Rows(
            "aerator",
            f => f.Aerators,
            ("code", a => a.Code),
            ("kind", a => a.Kind.Name),
            ("shaft_kw", a => a.ShaftKW),
            ("on_minute", a => Minute(a.On)),
            ("off_minute", a => Minute(a.Off)),
            ("source", a => a.Source),
            ("standby", a => a.Standby),
            ("heading_deg", a => a.HeadingDeg),
            ("motor_rpm", a => a.MotorRpm),
            ("gear_ratio", a => a.GearRatio),
            ("ramp_min", a => a.RampMin)
        )
        .ReadBy(r => new(r.Long("pond"), r.Rows("aerator", AeratorOf)))
        .CheckedBy(
            (desk, f) =>
                FarmRules
                    .Check(f)
                    .Concat(
                        FarmRules.AskedOfNew(f, FittedBefore(desk, f), desk.PondAt(f.PondId)?.SalinityPpt, desk.Hand)
                    )
        );

    public static readonly FactTable<EquipmentFitted> Equipment = new FactTable<EquipmentFitted>(
        "equipment_fitted",
        "equipment"
    )
        .Pond("pond", f => f.PondId)
        .Rows(
            "equipment",
            f => f.Items,
            ("kind", e => e.Kind),
            ("name", e => e.Name),
            ("power_kw", e => e.PowerKW),
            ("flow_m3_h", e => e.FlowM3H),
            ("mesh_mm", e => e.MeshMm),
            ("thickness_um", e => e.ThicknessUm),
            ("uv", e => e.Uv),
            ("laid", e => e.Laid),
            ("life_cycles", e => e.LifeCycles),
            ("offcut_m2", e => e.OffcutM2),
            ("slot", e => e.Slot)
        )
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Rows("equipment", e => new Equipment(
                    e.Word<EquipmentKind>("kind"),
                    e.Text("name"),
                    e.MaybeReal("power_kw"),
                    e.MaybeReal("flow_m3_h"),
                    e.MaybeReal("mesh_mm"),
                    e.MaybeReal("thickness_um"),
                    e.Yes("uv"),
                    e.MaybeDay("laid"),
                    e.MaybeInt("life_cycles"),
                    e.MaybeReal("offcut_m2"),
                    e.Text("slot")
                ))
            )
        )
        .CheckedBy((_, f) => FarmRules.Check(f));

    public static readonly FactTable<PondArchived> Archived = new FactTable<PondArchived>(
        "pond_archived",
        "laid up or back in use"
    )
        .Pond("pond", f => f.PondId)
        .Column("archived", f => f.Archived)
        .Column("reason", f => f.Reason)
        .ReadBy(r => new(r.Long("pond"), r.Yes("archived"), r.Text("reason")))
        .CheckedBy((desk, f) => FarmRules.Check(f, desk.FishIn(f.PondId)));

    public static readonly FactTable<PondWorked> Worked = new FactTable<PondWorked>("pond_work", "work")
        .Pond("pond", f => f.PondId)
        .Column("work", f => f.Work)
        .Column("text", f => f.Text)
        .Column("amount_kg", f => f.AmountKg)
        .Column("volume_m3", f => f.VolumeM3)
        .Column("patch_m2", f => f.PatchM2)
        .ReadBy(r =>
            new(r.Long("pond"), r.Word<PondWork>("work"), r.Text("text"), r.MaybeReal("amount_kg"))
            {
                VolumeM3 = r.MaybeReal("volume_m3"),
                PatchM2 = r.MaybeReal("patch_m2"),
            }
        )
        .CheckedBy(CheckWorked);

    public static readonly FactTable<PondBuiltBy> MadeBy = new FactTable<PondBuiltBy>("pond_built_by", "builder")
        .Pond("pond", f => f.PondId)
        .Column("builder", f => f.Builder)
        .Column("built_on", f => f.BuiltOn)
        .Column("price", f => f.Price)
        .Column("guarantee_to", f => f.GuaranteeTo)
        .Column("terms", f => f.Terms)
        .ReadBy(r =>
            new(
                r.Long("pond"),
                r.Text("builder"),
                r.Day("built_on"),
                r.MaybeReal("price"),
                r.MaybeDay("guarantee_to"),
                r.Text("terms")
            )
        )
        .CheckedBy((desk, f) => f.Check(desk.Today));

    public static IReadOnlyList<FactKind> Kinds { get; } =
    [Described, Built, Aerators, Equipment, Archived, Worked, MadeBy];

    /// <summary>A pond's row as the pond.</summary>
    public static Pond PondOf(FactRow r) =>
        new(
            r.Long("pond"),
            r.Text("code"),
            r.Text("name"),
            r.Word<PondKind>("kind"),
            ShapeOf(r),
            r.Text("use"),
            r.MaybeReal("fish_share") is { } share ? new(share, r.Real("paddle_m3_h")) : null
        )
        {
            LandingDepthM = r.MaybeReal("landing_depth_m"),
            ColourTarget = (int?)r.MaybeLong("colour_target"),
        };

    /// <summary>An aerator's row as the aerator.</summary>
    /// <exception cref="InvalidOperationException">The tables know no such kind of aerator.</exception>
    public static Aerator AeratorOf(FactRow r)
    {
        var plain = new Aerator(
            r.Text("code"),
            AeratorKind.Find(r.Text("kind"))
                ?? throw new InvalidOperationException($"No kind of aerator {r.Text("kind")} in the tables."),
            r.Real("shaft_kw"),
            Hour(r.MaybeLong("on_minute")),
            Hour(r.MaybeLong("off_minute"))
        );
        return plain with
        {
            // Older files have no word for it: the kind says.
            Source = r.Text("source").Length == 0 ? plain.Source : r.Word<PowerSource>("source"),
            Standby = r.Yes("standby"),
            HeadingDeg = r.MaybeReal("heading_deg"),
            MotorRpm = r.MaybeReal("motor_rpm"),
            GearRatio = r.MaybeReal("gear_ratio"),
            RampMin = r.MaybeReal("ramp_min"),
        };
    }

    private static IReadOnlyList<Aerator> FittedBefore(Desk desk, AeratorsFitted f) =>
        FarmQuestions.Aerators(desk.Connection, desk.AsOf.Known, f.PondId).LastOrDefault()?.Aerators ?? [];

    private static PondShape ShapeOf(FactRow r) =>
        r.Text("shape") switch
        {
            nameof(RoundTank) => new RoundTank(r.Real("diameter_m"), r.Real("depth_m")),
            nameof(OutlinePond) => new OutlinePond(OutlineIn(r), r.Real("depth_m"), r.Real("slope")),
            nameof(MeanDepthPond) => new MeanDepthPond(OutlineIn(r), r.Real("mean_depth_m"), r.Real("depth_m")),
            nameof(TablePond) => new TablePond(OutlineIn(r), Pairs.Read(r.Text("depth_table"))),
            _ => new SlopedRectangle(r.Real("length_m"), r.Real("width_m"), r.Real("depth_m"), r.Real("slope")),
        };

    private static Outline OutlineIn(FactRow r) => new(Pairs.Read(r.Text("outline")));

    private static Outline? OutlineOf(PondShape shape) =>
        shape switch
        {
            OutlinePond drawn => drawn.Outline,
            MeanDepthPond mean => mean.Outline,
            TablePond table => table.Outline,
            _ => null,
        };

    private static IEnumerable<string> OtherCodes(Desk desk, Pond pond) =>
        FarmQuestions.Ponds(desk.Connection, desk.AsOf.Known).Where(p => p.Id != pond.Id).Select(p => p.Code);

    // A pond goes only with everything that was written of it.
    private static IEnumerable<Remark> StillNeeded(Desk desk, PondBuilt built, long line)
    {
        if (FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, built.Pond.Id) is not null)
            yield break;
        if (desk.FishIn(built.Pond.Id) is > 0 and var fish)
            yield return Remark.Refuse(
                "",
                $"{desk.Hand.Count(fish)} fish stand in this pond. Correct its description, or lay it up once it is empty."
            );
        else if (LogUse.Naming(desk.Connection, built.Pond.Id) is { Count: > 0 } lines)
            yield return Remark.Refuse(
                "",
                $"Other lines of the log belong to this pond ({string.Join(", ", lines)}). Correct its description, or lay it up."
            );
    }

    private static object? Minute(TimeOnly? hour) => hour is { } h ? (h.Hour * 60) + h.Minute : null;

    private static TimeOnly? Hour(long? minute) => minute is { } m ? TimeOnly.MinValue.AddMinutes(m) : null;

    // What kills wild fish kills those of the farm: a poison belongs into empty water.
    private static IEnumerable<Remark> CheckWorked(Desk desk, PondWorked f)
    {
        if (f.Text.Length > 500)
            yield return Remark.Refuse("Text", "At most 500 letters.");
        if (f.Work == PondWork.PestTreated && desk.FishIn(f.PondId) is > 0 and var fish)
            yield return Remark.Ask(
                "Work",
                $"{desk.Hand.Count(fish)} fish stand here: what kills wild fish kills them too. Was it truly this water, and does the label allow it with fish in it?"
            );
    }
}
