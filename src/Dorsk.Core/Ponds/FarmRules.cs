using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>What is said about a farm, pond or aerator that cannot be.</summary>
public static class FarmRules
{
    /// <summary>Objections to the description of the farm.</summary>
    public static IEnumerable<Remark> Check(FarmDescribed f)
    {
        if (string.IsNullOrWhiteSpace(f.Name) || f.Name.Length > 80)
            yield return Remark.Refuse("Name", "Give the farm a name of 1 to 80 letters.");
        if (f.Place.LatitudeDeg is not (>= -66 and <= 66))
            yield return Remark.Refuse(
                "Latitude",
                "Latitude runs from -66 (south) to 66 (north) degrees here: beyond, the night rule has nights without an end."
            );
        if (f.Place.LongitudeDeg is not (>= -180 and <= 180))
            yield return Remark.Refuse("Longitude", "Longitude runs from -180 (west) to 180 (east) degrees.");
        if (f.AltitudeM is not (>= -400 and <= 5000))
            yield return Remark.Refuse("Altitude", h =>
                $"Elevation takes {Limit.Range(-400, 5000, Measures.Altitude, h)}."
            );
        if (FarmZone.Find(f.ZoneId) is null)
            yield return Remark.Refuse("Zone", "Choose a time zone from the list.");
        if (f.Currency.Length != 3 || !f.Currency.All(char.IsAsciiLetterUpper))
            yield return Remark.Refuse("Currency", "Three capital letters, for example AUD or USD.");
    }

    /// <summary>Objections to a pond.</summary>
    /// <param name="pond">The pond.</param>
    /// <param name="codesTaken">Codes of the other ponds.</param>
    public static IEnumerable<Remark> Check(Pond pond, IEnumerable<string> codesTaken)
    {
        if (pond.Code.Length is 0 or > 6 || !pond.Code.All(char.IsLetterOrDigit))
            yield return Remark.Refuse("Code", "A code of 1 to 6 letters and figures, such as P4.");
        else if (codesTaken.Contains(pond.Code, StringComparer.OrdinalIgnoreCase))
            yield return Remark.Refuse("Code", $"{pond.Code} is taken by another pond. Choose another code.");
        if (pond.Name.Length > 60)
            yield return Remark.Refuse("PondName", "At most 60 letters.");
        if (pond.LandingDepthM is { } landing && !(landing > 0 && landing <= pond.Shape.FullDepthM))
            yield return Remark.Refuse("Landing", "More than 0 and no more than the depth when full; or empty.");
        var body = CheckShape(pond);
        foreach (var remark in body)
            yield return remark;
        if (pond.Split is { } split)
        {
            if (split.FishShare is not (>= 0.05 and <= 0.5))
                yield return Remark.Refuse(
                    "FishShare",
                    "The fish zone takes 5 to 50 % of the area; 15 to 20 % is usual."
                );
            if (split.PaddleM3H is not (> 0 and <= 100_000))
                yield return Remark.Refuse("Paddle", h =>
                    $"The paddle moves more than 0 and at most {Limit.Of(100_000, Measures.Flow, h)}."
                );
        }
        else if (pond.Kind == PondKind.Split)
            yield return Remark.Refuse(
                "FishShare",
                "A split pond needs the share of its fish zone and what the paddle moves."
            );
    }

    private static IEnumerable<Remark> CheckShape(Pond pond) =>
        pond.Shape switch
        {
            SlopedRectangle r => SlopedRectangle.Check(r.LengthM, r.WidthM, r.DepthM, r.Slope),
            RoundTank t => RoundTank.Check(t.DiameterM, t.DepthM),
            OutlinePond o => o.Check(),
            MeanDepthPond m => m.Check(),
            TablePond t => t.Check(),
            _ => throw new NotSupportedException($"No rule for the shape {pond.Shape.GetType().Name}."),
        };

    /// <summary>Objections to aerators.</summary>
    public static IEnumerable<Remark> Check(AeratorsFitted f)
    {
        foreach (var a in f.Aerators)
        {
            if (a.ShaftKW is not (> 0 and <= 100))
                yield return Remark.Refuse(
                    "AeratorPower",
                    FormattableString.Invariant($"{a.Code}: {a.ShaftKW:0.##} kW is outside 0 to 100 kW.")
                );
            if (a.HeadingDeg is { } heading and not (>= 0 and < 360))
                yield return Remark.Refuse("Heading", $"{a.Code}: 0 to 359 degrees from north.");
            if (a.MotorRpm is { } rpm and not (>= 50 and <= 6000))
                yield return Remark.Refuse("MotorRpm", $"{a.Code}: 50 to 6,000 turns a minute.");
            if (a.GearRatio is { } gear and not (>= 0.1 and <= 500))
                yield return Remark.Refuse("Gear", $"{a.Code}: 0.1 to 500 turns of the motor for one of the shaft.");
            if (a.RampMin is { } ramp and not (>= 0 and <= 60))
                yield return Remark.Refuse("Ramp", $"{a.Code}: 0 to 60 minutes.");
            if (a.On is null != a.Off is null)
                yield return Remark.Refuse("Timer", $"{a.Code}: a timer needs both hours, on and off.");
        }
        if (f.Aerators.GroupBy(a => a.Code).Any(g => g.Count() > 1))
            yield return Remark.Refuse("AeratorPower", "Each aerator needs a code of its own.");
    }

    /// <summary>What is asked of aerators that were not fitted before: large paddles that start at once, wired pumps in salt water.</summary>
    /// <param name="f">The aerators.</param>
    /// <param name="before">Those fitted before.</param>
    /// <param name="salinityPpt">Last salinity of the water, ppt, or null.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> AskedOfNew(
        AeratorsFitted f,
        IReadOnlyList<Aerator> before,
        double? salinityPpt,
        Units.Hand hand
    )
    {
        foreach (var a in f.Aerators.Where(a => !before.Any(b => b.Code == a.Code && b.Kind == a.Kind)))
        {
            if (a.StartsSlowly && a.RampMin is not >= SlowStartMin)
                yield return Remark.Ask(
                    "Ramp",
                    $"{a.Code} is a large paddle: brought to speed over about five minutes its gears last. Does it start at once?"
                );
            if (salinityPpt >= SaltPpt && a.Kind.Name.Contains("pump", StringComparison.Ordinal))
                yield return Remark.Ask(
                    "Kind",
                    $"The water has {Units.QuantityText.Write(salinityPpt.Value, Units.Measures.Salinity, hand)}: salt eats wired pumps, and current in salt water kills. Lift and stir with air instead. Fitted all the same?"
                );
        }
    }

    private const double SlowStartMin = 3,
        SaltPpt = 5;

    /// <summary>Objections to equipment.</summary>
    public static IEnumerable<Remark> Check(EquipmentFitted f)
    {
        foreach (var remark in f.Items.SelectMany(e => Figures(e).Concat(Words(e))).OfType<Remark>())
            yield return remark;
        if (f.Items.Count(e => e.Kind == EquipmentKind.Liner) > 1)
            yield return TwoLiners();
    }

    private static Remark?[] Figures(Equipment e)
    {
        Remark? Outside(double? value, double most, string field, string text) =>
            value is { } v && !(v > 0 && v <= most) ? Remark.Refuse($"{e.Kind}{field}", text) : null;
        return
        [
            Outside(e.PowerKW, 2000, "Power", "Power takes more than 0 and at most 2,000 kW (2,700 hp)."),
            Outside(e.FlowM3H, 100_000, "Flow", "A flow takes more than 0 and at most 100,000 m³/h (440,000 gal/min)."),
            Outside(e.MeshMm, 200, "Mesh", "A mesh takes more than 0 and at most 200 mm (8 in)."),
            Outside(e.ThicknessUm, 5000, "Thickness", "A liner takes more than 0 and at most 5,000 µm (200 mil)."),
            Outside(e.OffcutM2, 10_000, "Offcut", "Offcuts of more than 0, up to 10,000 m² (108,000 ft²), or empty."),
        ];
    }

    private static Remark?[] Words(Equipment e) =>
        [
            e.LifeCycles is { } life and not (>= 1 and <= 100)
                ? Remark.Refuse($"{e.Kind}Life", "1 to 100 cycles.")
                : null,
            e.Slot == WoodSlot
                ? Remark.Ask(
                    $"{e.Kind}Slot",
                    "Wood in a slot rots and jams the screen: form the slot as a plain groove in the concrete. Is it wood all the same?"
                )
                : null,
            e.Name.Length > 60 ? Remark.Refuse($"{e.Kind}Name", "At most 60 letters.") : null,
        ];

    /// <summary>A slot of a screen that is lined with wood.</summary>
    public const string WoodSlot = "wood";

    private static Remark TwoLiners() =>
        Remark.Refuse(
            "",
            "A pond has one liner. When a new one is laid, put its day and thickness in place of the old."
        );

    /// <summary>Objections to marks on the plan.</summary>
    public static IEnumerable<Remark> Check(MarksSet m)
    {
        if (
            m.Marks.Count > 40
            || m.Marks.Any(x =>
                !double.IsFinite(x.EastM)
                || !double.IsFinite(x.NorthM)
                || Math.Abs(x.EastM) > FarmPlan.FurthestM
                || Math.Abs(x.NorthM) > FarmPlan.FurthestM
            )
        )
            yield return Remark.Refuse("Marks", "At most 40 marks, each near its pond.");
        if (m.Marks.Any(x => x.Code.Length > 12))
            yield return Remark.Refuse("Marks", "A mark's code takes at most 12 letters.");
    }

    /// <summary>Objections to laying a pond up.</summary>
    /// <param name="a">What is meant.</param>
    /// <param name="fishStand">Fish on its books.</param>
    public static IEnumerable<Remark> Check(PondArchived a, long fishStand)
    {
        if (a.Archived && fishStand > 0)
            yield return Remark.Refuse(
                "Archived",
                FormattableString.Invariant(
                    $"{fishStand:N0} fish stand in this pond on the books. Harvest, move or write them off first."
                )
            );
        if (a.Archived && a.Reason.Length is 0 or > 300)
            yield return Remark.Refuse("Reason", "Say why it is laid up, in 1 to 300 letters.");
    }

    /// <summary>Objections to a place on the plan.</summary>
    public static IEnumerable<Remark> Check(PondPlaced p)
    {
        if (p.EastM is not (>= -FarmPlan.FurthestM and <= FarmPlan.FurthestM))
            yield return Remark.Refuse("East", h =>
                $"{Limit.Of(FarmPlan.FurthestM, Measures.Altitude, h)} to either side at most: the plan is of one farm."
            );
        if (p.NorthM is not (>= -FarmPlan.FurthestM and <= FarmPlan.FurthestM))
            yield return Remark.Refuse("North", h =>
                $"{Limit.Of(FarmPlan.FurthestM, Measures.Altitude, h)} to either side at most: the plan is of one farm."
            );
        if (p.TurnDeg is not (>= -180 and <= 180))
            yield return Remark.Refuse("Turn", "-180 to 180 degrees.");
    }

    /// <summary>Objections to a landmark.</summary>
    public static IEnumerable<Remark> Check(LandmarkDrawn l)
    {
        if (l.Kind is not ("creek" or "track" or "shed"))
            yield return Remark.Refuse("Kind", "Creek, track or shed.");
        if (
            l.PointsM.Count is < 2 or > 200
            || l.PointsM.Any(q => !double.IsFinite(q.EastM) || !double.IsFinite(q.NorthM))
        )
            yield return Remark.Refuse("Points", "Two points at least, 200 at most.");
        else if (l.PointsM.Any(q => Math.Abs(q.EastM) > FarmPlan.FurthestM || Math.Abs(q.NorthM) > FarmPlan.FurthestM))
            yield return Remark.Refuse("Points", h =>
                $"{Limit.Of(FarmPlan.FurthestM, Measures.Altitude, h)} to either side at most: the plan is of one farm."
            );
        if (l.Name.Length > 60)
            yield return Remark.Refuse("Name", "At most 60 letters.");
    }
}
