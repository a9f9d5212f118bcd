using Dorsk.Core.Judging;
using Dorsk.Core.Species;

namespace Dorsk.Core.Ponds;

/// <summary>What is built.</summary>
public enum BuildKind
{
    /// <summary>Dug, water against earth.</summary>
    Earthen,

    /// <summary>Dug, with a liner.</summary>
    Lined,

    /// <summary>A round frame with a liner on a level base.</summary>
    RoundFrame,

    /// <summary>A straight-sided frame with a liner on a level base.</summary>
    LongFrame,

    /// <summary>Concrete floor and walls.</summary>
    Concrete,
}

/// <summary>How fish meet the edge of the water.</summary>
public enum EdgeHabit
{
    /// <summary>They keep down.</summary>
    Keeps,

    /// <summary>They leap.</summary>
    Leaps,

    /// <summary>They climb or creep: crayfish, eels, walking catfish.</summary>
    Climbs,
}

/// <summary>One line of a quotation.</summary>
/// <param name="What">Part or work.</param>
/// <param name="Amount">How much.</param>
/// <param name="Unit">Of what: m³, m², pieces, hours.</param>
/// <param name="Each">Price of one.</param>
/// <param name="Material">Whether it is bought, not done.</param>
public sealed record QuoteLine(string What, double Amount, string Unit, double Each, bool Material)
{
    /// <summary>Its cost.</summary>
    public double Cost => Amount * Each;
}

/// <summary>Sides and edge of what is built; the sides are those of the full water.</summary>
/// <param name="Kind">What is built.</param>
/// <param name="LengthM">Length, or the diameter of a round one, m.</param>
/// <param name="WidthM">Width, m; a round one has none.</param>
/// <param name="DepthM">Depth when full, m.</param>
/// <param name="Slope">Bank slope of a dug one, across for 1 down.</param>
/// <param name="EdgeM">Bank or wall over the full water, m.</param>
public sealed record BuildBody(BuildKind Kind, double LengthM, double WidthM, double DepthM, double Slope, double EdgeM)
{
    // Judged: sheet laid over the crest or rim, base beyond the frame, thickness of concrete.
    private const double OverlapM = 0.5,
        BaseBeyondM = 0.5,
        ConcreteM = 0.12;

    private bool Dug => Kind is BuildKind.Earthen or BuildKind.Lined;

    private bool Round => Kind == BuildKind.RoundFrame;

    /// <summary>The water as it stands, to the brim of the full water.</summary>
    public PondShape Water =>
        Round ? new RoundTank(LengthM, DepthM) : new SlopedRectangle(LengthM, WidthM, DepthM, Dug ? Slope : 0);

    /// <summary>Water when full, m³.</summary>
    public double VolumeM3 => Water.FullVolumeM3;

    /// <summary>Height of the wall over the floor, m.</summary>
    public double WallM => DepthM + EdgeM;

    /// <summary>Earth to move, m³; none for a frame or a tank above ground.</summary>
    public double EarthM3 =>
        Dug
            ? new SlopedRectangle(
                LengthM + (2 * Slope * EdgeM),
                WidthM + (2 * Slope * EdgeM),
                WallM,
                Slope
            ).FullVolumeM3
            : 0;

    /// <summary>Wall by its length and height, m²; none for a dug one.</summary>
    public double WallM2 => Dug ? 0 : (Round ? Math.PI * LengthM : 2 * (LengthM + WidthM)) * WallM;

    /// <summary>Level base, m².</summary>
    public double BaseM2 =>
        Dug ? 0
        : Round ? Math.PI / 4 * Math.Pow(LengthM + (2 * BaseBeyondM), 2)
        : (LengthM + (2 * BaseBeyondM)) * (WidthM + (2 * BaseBeyondM));

    /// <summary>One straight sheet over floor and walls with its lap over the edge, as it is bought, m²; none for earth and concrete.</summary>
    public double LinerM2
    {
        get
        {
            if (Kind is BuildKind.Earthen or BuildKind.Concrete)
                return 0;
            if (Round)
                return Math.Pow(LengthM + (2 * (WallM + OverlapM)), 2);
            // Up both banks, measured along the slope.
            double bank = Dug ? WallM * Math.Sqrt(1 + (Slope * Slope)) : WallM,
                inset = Dug ? 2 * Slope * DepthM : 0,
                more = 2 * (bank + OverlapM);
            return (LengthM - inset + more) * (WidthM - inset + more);
        }
    }

    /// <summary>Concrete of floor and walls, m³.</summary>
    public double ConcreteM3 => Kind == BuildKind.Concrete ? ConcreteM * ((LengthM * WidthM) + WallM2) : 0;

    /// <summary>Earth bank to be sown with grass: the crest and the outside, taken as 2 m all round, m².</summary>
    public double GrassM2 => Dug ? 2 * 2 * (LengthM + WidthM + (4 * Slope * EdgeM) + 4) : 0;

    /// <summary>Height of wall or bank over the water by how fish meet it, m.</summary>
    public static (double M, string Says) Edge(EdgeHabit habit) =>
        habit switch
        {
            EdgeHabit.Leaps => (0.6, "they leap: 0.6 m over the water, or a net over it"),
            EdgeHabit.Climbs => (
                0.4,
                "they climb: 0.4 m of smooth wall and a lip turned in, and no rope or pipe down to the ground"
            ),
            _ => (0.3, "they keep down: 0.3 m above the water hold waves and rain"),
        };

    /// <summary>Fish that may live in it, kg: tanks by their water with air day and night, dug ponds by their surface without air.</summary>
    /// <param name="species">The species.</param>
    public double CarriesKg(FishSpecies species) =>
        Dug ? Water.FullAreaM2 / 10_000 * species.CapacityNoAirKgHa : VolumeM3 * species.CapacityTankKgM3;

    /// <summary>What stands against it, by the field typed.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Dug && 2 * Slope * DepthM >= Math.Min(LengthM, WidthM))
            yield return Remark.Refuse(
                "slope",
                "The banks meet before the floor. Make it wider, shallower, or steeper."
            );
    }
}

/// <summary>An itemised quotation with the farm's own prices.</summary>
/// <param name="Lines">What it takes.</param>
/// <param name="Spare">Share added for what nobody foresaw.</param>
public sealed record Quotation(IReadOnlyList<QuoteLine> Lines, double Spare)
{
    /// <summary>A builder's total agrees with its parts within this share.</summary>
    public const double Agrees = 0.02;

    /// <summary>Prices, each of one unit, in the farm's currency.</summary>
    public sealed record Prices(
        double EarthM3,
        double LinerM2,
        double WallM2,
        double BaseM2,
        double ConcreteM3,
        double GrassM2,
        double Fittings,
        double Fence,
        double Hours,
        double Hour,
        double Trips,
        double Trip
    );

    /// <summary>The lines that this body needs; parts it does not have are left out.</summary>
    /// <param name="body">What is built.</param>
    /// <param name="p">Prices, in the farm's currency.</param>
    /// <param name="spare">Added for what nobody foresaw, share of the sum; 0 or more.</param>
    public static Quotation For(BuildBody body, Prices p, double spare) =>
        new(
            [
                .. new QuoteLine[]
                {
                    new("earth to move", body.EarthM3, "m³", p.EarthM3, false),
                    new(
                        body.Kind == BuildKind.Concrete ? "formwork of the walls" : "frame and wall",
                        body.WallM2,
                        "m²",
                        p.WallM2,
                        true
                    ),
                    new("level base", body.BaseM2, "m²", p.BaseM2, true),
                    new("liner, one sheet", body.LinerM2, "m²", p.LinerM2, true),
                    new("concrete", body.ConcreteM3, "m³", p.ConcreteM3, true),
                    new("grass on the banks", body.GrassM2, "m²", p.GrassM2, true),
                    new("pipes, drain, screens", 1, "set", p.Fittings, true),
                    new("fence and lid", 1, "set", p.Fence, true),
                    new("labour", p.Hours, "hours", p.Hour, false),
                    new("travel", p.Trips, "trips", p.Trip, false),
                }.Where(l => l.Amount > 0),
            ],
            spare
        );

    /// <summary>Sum of the lines.</summary>
    public double Sum => Lines.Sum(l => l.Cost);

    /// <summary>What is bought.</summary>
    public double Materials => Lines.Where(l => l.Material).Sum(l => l.Cost);

    /// <summary>With the share for the unforeseen.</summary>
    public double Total => Sum * (1 + Spare);
}
