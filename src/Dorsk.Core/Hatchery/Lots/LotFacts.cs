using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>What stands in a lot of the hatchery.</summary>
public enum LotStage
{
    /// <summary>Eggs.</summary>
    Eggs,

    /// <summary>Hatched, living on their yolk.</summary>
    Larvae,

    /// <summary>Feeding.</summary>
    Fry,
}

/// <summary>Colour of eggs and larvae, as it comes with their age.</summary>
public enum EggColour
{
    /// <summary>Nobody looked.</summary>
    NotSeen,

    /// <summary>Yellow or clear: just laid.</summary>
    Yellow,

    /// <summary>Pink: blood shows.</summary>
    Pink,

    /// <summary>Red-brown, eyes dark: near to hatch.</summary>
    RedBrown,

    /// <summary>White and clouded: dead.</summary>
    White,
}

/// <summary>Where animals go that leave a lot.</summary>
public enum LotExit
{
    /// <summary>Dead eggs, larvae or fry taken out.</summary>
    Dead,

    /// <summary>Cannibals taken out.</summary>
    Cannibals,

    /// <summary>Sent or sold to another farm.</summary>
    Sent,
}

/// <summary>Eggs taken: founds a lot.</summary>
/// <param name="LotId">Number given by the books; 0 for a new one.</param>
/// <param name="SpeciesKey">Species.</param>
/// <param name="VesselId">Where they are hatched.</param>
/// <param name="NestId">The nest they were taken from; null where they come from females.</param>
/// <param name="From">Tags of the parents, or of the group.</param>
/// <param name="Count">Eggs, 1 to 2 thousand million.</param>
/// <param name="Basis">How they were counted.</param>
/// <param name="Colour">Their colour when they were taken.</param>
/// <param name="Broken">Whether the mass came apart.</param>
public sealed record EggsTaken(
    long LotId,
    string SpeciesKey,
    long VesselId,
    long? NestId,
    string From,
    int Count,
    CountBasis Basis,
    EggColour Colour,
    bool Broken
) : Fact
{
    /// <summary>Fertile, percent of a sample; null where nobody looked.</summary>
    public double? FertilePct { get; init; }

    /// <summary>Water they were taken from, °C; null where nobody read it.</summary>
    public double? FromC { get; init; }

    /// <summary>Water they went into, °C.</summary>
    public double TroughC { get; init; }

    /// <summary>Minutes over which they were brought to the other temperature; 0: at once.</summary>
    public double TemperedMin { get; init; }

    /// <summary>Egg masses; null where eggs are loose or nobody counted them.</summary>
    public int? Masses { get; init; }

    /// <summary>Whether the parents are still in the same water.</summary>
    public bool WithParents { get; init; }

    /// <summary>What the lot is compared by: age at stocking, density, feed; may be empty.</summary>
    public string Treatment { get; init; } = "";

    /// <summary>Difference above which eggs are tempered: 3 °C, the 5 °F of the other school.</summary>
    public const double TemperOverC = 3;

    // Ten minutes a degree. Starting value.
    private const double MinutesPerC = 10;

    /// <summary>Minutes over which eggs are brought from one water to the other, 0 where they need not be.</summary>
    /// <param name="fromC">Water they come from, °C.</param>
    /// <param name="toC">Water they go into, °C.</param>
    public static double TemperMinutes(double fromC, double toC) =>
        Math.Abs(fromC - toC) <= TemperOverC ? 0 : Math.Ceiling(Math.Abs(fromC - toC) * MinutesPerC);

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="vessel">Where they go; null when there is none of that number.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(VesselDescribed? vessel, Hand hand)
    {
        if (vessel is null or { Kind: VesselKind.Nest } or { Gone: true })
            yield return Remark.Refuse("Vessel", "Choose a trough, jar, tank or pool in use.");
        if (Count is < 1 or > 2_000_000_000)
            yield return Remark.Refuse("Count", "1 to 2,000,000,000 eggs.");
        if (TroughC is not (> 0 and <= 45))
            yield return Remark.Refuse("Trough", h => $"{Limit.Range(0, 45, Measures.Temperature, h)}, above 0.");
        if (Masses is < 1 or > 10_000)
            yield return Remark.Refuse("Masses", "1 to 10,000, or empty.");
        if (WithParents)
            yield return Remark.Ask(
                "WithParents",
                "Parents eat their eggs, and their slime fouls the water: take one of them out first. Are they still together?"
            );
        if (FertilePct is not (null or (>= 0 and <= 100)))
            yield return Remark.Refuse("Fertile", "0 to 100.");
        if (From.Length > 120 || Treatment.Length > 60)
            yield return Remark.Refuse(From.Length > 120 ? "From" : "Treatment", "That is too long.");
        if (TemperedMin is not (>= 0 and <= 1440))
            yield return Remark.Refuse("Tempered", "0 to 1,440 minutes.");
        else if (FromC is { } from && TemperMinutes(from, TroughC) is > 0 and var wants && TemperedMin < wants)
            yield return Remark.Ask(
                "Tempered",
                $"The waters differ by more than {Limit.Of(TemperOverC, Measures.TemperatureStep, hand)}: bring them over in {hand.Count(wants)} minutes at least. Was it done so fast?"
            );
    }
}

/// <summary>A look at a lot, or at its water.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="TempC">Water, °C; null where it was not read.</param>
/// <param name="DoMgL">Oxygen, mg/L; null where it was not read.</param>
/// <param name="Ph">pH; null where it was not read.</param>
/// <param name="Seen">The stage that is seen; null where nobody said.</param>
/// <param name="Colour">Their colour.</param>
/// <param name="FungusPct">Eggs under fungus, percent; null where nobody looked.</param>
/// <param name="DeformedOf20">Deformed of twenty fry; null where nobody looked.</param>
public sealed record LotLooked(
    long LotId,
    double? TempC,
    double? DoMgL,
    double? Ph,
    EggStage? Seen,
    EggColour Colour,
    double? FungusPct,
    int? DeformedOf20
) : Fact
{
    /// <summary>Whether the floor was siphoned.</summary>
    public bool Siphoned { get; init; }

    /// <summary>Water changed, percent; null for none.</summary>
    public double? ChangedPct { get; init; }

    /// <summary>How fry behave.</summary>
    public FryBehaviour Behaviour { get; init; }

    /// <summary>How the water of a trough moves.</summary>
    public TroughMixing Mixing { get; init; }

    /// <summary>Light over the vessel, lux; null where nobody set it.</summary>
    public double? LightLux { get; init; }

    /// <summary>What was given or done beside: leaf brew, probiotic, clay; may be empty.</summary>
    public string Given { get; init; } = "";

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">Whether there is such a lot, taken by then.</param>
    public IEnumerable<Remark> Check(bool known)
    {
        if (!known)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        if (TempC is not (null or (> -2 and <= 45)))
            yield return Remark.Refuse("Temp", h => $"{Limit.Range(-2, 45, Measures.Temperature, h)}.");
        if (DoMgL is not (null or (>= 0 and <= 40)))
            yield return Remark.Refuse("Oxygen", h => $"{Limit.Range(0, 40, Measures.Oxygen, h)}.");
        if (Ph is not (null or (>= 3 and <= 12)))
            yield return Remark.Refuse("Ph", "3 to 12.");
        foreach (var (field, value) in new[] { ("Fungus", FungusPct), ("Changed", ChangedPct) })
            if (value is not (null or (>= 0 and <= 100)))
                yield return Remark.Refuse(field, "0 to 100.");
        if (DeformedOf20 is < 0 or > 20)
            yield return Remark.Refuse("Deformed", "0 to 20, or empty.");
        if (LightLux is not (null or (>= 0 and <= 200_000)))
            yield return Remark.Refuse("Light", "0 to 200,000.");
        if (Given.Length > 120)
            yield return Remark.Refuse("Given", "At most 120 letters.");
        if (IsEmpty)
            yield return Remark.Refuse("", "Nothing was read or seen. Fill in at least one line.");
    }

    private bool IsEmpty =>
        (TempC ?? DoMgL ?? Ph ?? FungusPct ?? ChangedPct ?? LightLux ?? DeformedOf20) is null
        && Seen is null
        && Colour == EggColour.NotSeen
        && Behaviour == FryBehaviour.NotSeen
        && Mixing == TroughMixing.NotSeen
        && !Siphoned
        && Given.Length == 0;
}

/// <summary>How fry behave in their vessel.</summary>
public enum FryBehaviour
{
    /// <summary>Nobody looked.</summary>
    NotSeen,

    /// <summary>Spread through the water, feeding.</summary>
    Spread,

    /// <summary>At the surface late in the day.</summary>
    AtSurface,

    /// <summary>Hang all day, though sound in body.</summary>
    Hanging,

    /// <summary>Cannot break the film of the surface.</summary>
    UnderFilm,

    /// <summary>Swim up, school, turn dark.</summary>
    SwimUp,
}

/// <summary>A lot counted. At a later stage it takes the lot there: what is missing died on the way.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="Stage">What they are now.</param>
/// <param name="Count">How many, 0 to 2 thousand million.</param>
/// <param name="Basis">How they were counted.</param>
/// <param name="Reason">Why it differs from the books, in words; may be empty.</param>
public sealed record LotCounted(long LotId, LotStage Stage, int Count, CountBasis Basis, string Reason) : Fact
{
    /// <summary>Half of the count's 95 % interval by its samples, percent; null where nobody took several.</summary>
    public double? PlusMinusPct { get; init; }

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot before the count; null when there is none.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(LotStanding? lot, Hand hand)
    {
        if (lot is null)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        if (Count is < 0 or > 2_000_000_000)
            yield return Remark.Refuse("Count", "0 to 2,000,000,000.");
        if (Reason.Length > 120)
            yield return Remark.Refuse("Reason", "At most 120 letters.");
        if (PlusMinusPct is not (null or (>= 0 and <= 200)))
            yield return Remark.Refuse("Within", "0 to 200.");
        if (lot is null)
            yield break;
        if (Stage < lot.Stage)
            yield return Remark.Refuse("Stage", $"They are {LotStanding.Word(lot.Stage)} already.");
        if (Count > lot.Count)
            yield return Remark.Ask(
                "Count",
                $"That is {hand.Count(Count)} of {hand.Count(lot.Count)} on the books: more than all. One of the counts is wrong. Save it with the difference named?"
            );
        else if (Count == 0 && lot.Count > 0)
            yield return Remark.Ask("Count", $"All {hand.Count(lot.Count)} are gone then. Is it so?");
    }
}

/// <summary>Animals that leave a lot.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="Count">How many; above 0.</param>
/// <param name="To">Where to.</param>
/// <param name="Where">Whom they were sent to, or what was seen; may be empty.</param>
public sealed record LotLeft(long LotId, int Count, LotExit To, string Where) : Fact
{
    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot before; null when there is none.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(LotStanding? lot, Hand hand)
    {
        if (lot is null)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        if (Count < 1)
            yield return Remark.Refuse("Count", "At least 1.");
        if (Where.Length > 120)
            yield return Remark.Refuse("Where", "At most 120 letters.");
        if (To == LotExit.Sent && Where.Length == 0)
            yield return Remark.Refuse("Where", "Whom they were sent to.");
        if (lot is not null && Count > lot.Count)
            yield return Remark.Refuse(
                "Count",
                $"{hand.Count(lot.Count)} are on the books. Count the lot first: the difference wants its name."
            );
    }
}

/// <summary>A lot, or a part of it, goes to another vessel. A part is a lot of its own from then on.</summary>
/// <param name="LotId">Number given by the books to the part; 0 for a new part; the lot's own number when all of it goes.</param>
/// <param name="FromLotId">The lot.</param>
/// <param name="VesselId">Where to.</param>
/// <param name="Count">How many; null for all.</param>
public sealed record LotMoved(long LotId, long FromLotId, long VesselId, int? Count) : Fact
{
    /// <summary>Water of the vessel they leave, °C.</summary>
    public double FromC { get; init; }

    /// <summary>Water of the vessel they enter, °C.</summary>
    public double ToC { get; init; }

    /// <summary>What a part is compared by; may be empty.</summary>
    public string Treatment { get; init; } = "";

    /// <summary>Most difference at which fry are moved, °C. Starting value of the trade: hardly any.</summary>
    public const double MostDifferenceC = 1;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot before; null when there is none.</param>
    /// <param name="vessel">Where to; null when there is none of that number.</param>
    /// <param name="hand">How figures are printed.</param>
    public IEnumerable<Remark> Check(LotStanding? lot, VesselDescribed? vessel, Hand hand)
    {
        if (lot is null)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        if (vessel is null or { Kind: VesselKind.Nest } or { Gone: true })
            yield return Remark.Refuse("Vessel", "Choose a trough, jar, tank or pool in use.");
        else if (lot?.VesselId == VesselId)
            yield return Remark.Refuse("Vessel", "They stand in it already.");
        if (lot is not null && Count is { } part && (part < 1 || part >= lot.Count))
            yield return Remark.Refuse(
                "Count",
                $"1 to {hand.Count(Math.Max(1, lot.Count - 1))}, or empty for all of them."
            );
        if (Treatment.Length > 60)
            yield return Remark.Refuse("Treatment", "At most 60 letters.");
        foreach (var (field, c) in new[] { ("FromC", FromC), ("ToC", ToC) })
            if (c is not (> -2 and <= 45))
                yield return Remark.Refuse(field, h => $"{Limit.Range(-2, 45, Measures.Temperature, h)}.");
        if (Math.Abs(FromC - ToC) > MostDifferenceC)
            yield return Remark.Ask(
                "ToC",
                $"Both waters are to be alike before fry are moved, within {Limit.Of(MostDifferenceC, Measures.TemperatureStep, hand)}: the smallest die of the step. Let water of the new vessel in first. Move them now all the same?"
            );
    }
}

/// <summary>A meal of fry.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="Feed">What was given.</param>
/// <param name="Grams">How much, g; above 0.</param>
/// <param name="Score">How they came, 0 to 4; null where nobody watched.</param>
/// <param name="Where">Where they took it; may be empty.</param>
public sealed record FryFed(long LotId, string Feed, double Grams, int? Score, string Where) : Fact
{
    /// <summary>Its form.</summary>
    public FryFeedForm Form { get; init; }

    /// <summary>Its protein, percent; null where nobody looked at the label.</summary>
    public double? ProteinPct { get; init; }

    /// <summary>Places at which fry take feed.</summary>
    public static readonly IReadOnlyList<string> Places =
    [
        "all round the edge",
        "one corner",
        "at the surface, paste balls",
        "in the middle",
        "sank uneaten",
    ];

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="lot">The lot before; null when there is none.</param>
    public IEnumerable<Remark> Check(LotStanding? lot)
    {
        if (lot is null)
            yield return Remark.Refuse("Lot", "There was no such lot at that hour. Choose one of the list.");
        if (Feed.Length is 0 or > 60)
            yield return Remark.Refuse("Feed", "1 to 60 letters.");
        if (Grams is not (> 0 and <= 1_000_000))
            yield return Remark.Refuse("Grams", h => $"{Limit.Range(0, 1_000_000, Measures.FishWeight, h)}, above 0.");
        if (ProteinPct is not (null or (> 0 and <= 100)))
            yield return Remark.Refuse("Protein", "Above 0 to 100, or empty.");
        if (Score is < 0 or > 4)
            yield return Remark.Refuse("Score", "0 to 4.");
        if (Where.Length > 0 && !Places.Contains(Where))
            yield return Remark.Refuse("Where", "Choose one of the list, or none.");
        if (lot?.Stage == LotStage.Eggs)
            yield return Remark.Refuse("Lot", "Eggs take no feed: count the larvae first.");
    }
}
