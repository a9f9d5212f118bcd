using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Hatchery;

/// <summary>Sex of a broodfish.</summary>
public enum BroodSex
{
    /// <summary>Not told yet.</summary>
    Unknown,

    /// <summary>Female.</summary>
    Female,

    /// <summary>Male.</summary>
    Male,
}

/// <summary>How sure the sex is.</summary>
public enum SexSure
{
    /// <summary>A guess.</summary>
    Guess,

    /// <summary>By the shape of head, body, belly or vent.</summary>
    ByShape,

    /// <summary>Milt or eggs were seen, or it spawned.</summary>
    Seen,
}

/// <summary>Where breeders come from.</summary>
public enum BroodOrigin
{
    /// <summary>A hatchery's line, bought.</summary>
    Bought,

    /// <summary>Raised here from the farm's own fry.</summary>
    Own,

    /// <summary>Caught in the wild.</summary>
    Wild,
}

/// <summary>A fish, or a group of fish alike, of the broodstock register.</summary>
/// <param name="BroodId">Number given by the books; 0 for a new one.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Tag">Tag of the fish, or name of the group.</param>
/// <param name="Count">Fish; 1 for a single one.</param>
/// <param name="Sex">Their sex.</param>
/// <param name="Sure">How sure it is.</param>
/// <param name="Origin">Where they come from.</param>
/// <param name="Strain">Strain or line, from whom; may be empty.</param>
/// <param name="HatchYear">Year in which they hatched; null where nobody knows.</param>
/// <param name="MeanKg">Mean weight, kg; above 0.</param>
public sealed record BroodDescribed(
    long BroodId,
    long PondId,
    string Tag,
    int Count,
    BroodSex Sex,
    SexSure Sure,
    BroodOrigin Origin,
    string Strain,
    int? HatchYear,
    double MeanKg
) : Fact
{
    /// <summary>Signs by which the sex was told; may be empty.</summary>
    public string Signs { get; init; } = "";

    /// <summary>Whether they are no longer bred from.</summary>
    public bool Retired { get; init; }

    /// <summary>Hormones given by a licensed person, as that person wrote it down; may be empty.</summary>
    public string Hormone { get; init; } = "";

    /// <summary>Name of the photo in the data folder, its hash; empty for none.</summary>
    public string Photo { get; init; } = "";

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="taken">Whether another of the register bears the tag.</param>
    /// <param name="today">The farm day.</param>
    public IEnumerable<Remark> Check(bool taken, DateOnly today)
    {
        if (Tag.Length is 0 or > 40)
            yield return Remark.Refuse("Tag", "1 to 40 letters.");
        else if (taken)
            yield return Remark.Refuse("Tag", "Another fish or group of the register has this tag.");
        if (Count is < 1 or > 100_000)
            yield return Remark.Refuse("Count", "1 to 100,000 fish.");
        if (HatchYear is { } year && (year < 1950 || year > today.Year))
            yield return Remark.Refuse("Year", $"1950 to {today.Year}, or empty.");
        if (MeanKg is not (> 0 and <= 300))
            yield return Remark.Refuse("Mass", h => $"{Limit.Range(0, 300, Measures.Mass, h)}, above 0.");
        foreach (var (field, text) in new[] { ("Strain", Strain), ("Signs", Signs), ("Hormone", Hormone) })
            if (text.Length > 200)
                yield return Remark.Refuse(field, "At most 200 letters.");
        if (Origin == BroodOrigin.Wild)
            yield return Remark.Ask(
                "Origin",
                "Breeders from the wild spawn unreliably, bring disease, and their young grow slower; catching them may need a permit. Take them in all the same?"
            );
        if (Sex == BroodSex.Unknown && Sure != SexSure.Guess)
            yield return Remark.Refuse("Sure", "A sex that is not told cannot be sure.");
    }
}

/// <summary>A fish of the register looked over, before it is bought or spawned.</summary>
/// <param name="BroodId">The fish or group.</param>
/// <param name="PondId">The pond it stands in.</param>
/// <param name="Thin">Thin: head large for the body.</param>
/// <param name="Sores">Sores or wounds.</param>
/// <param name="SkinParasites">Parasites on the skin.</param>
/// <param name="GillParasites">Parasites or pale, eaten gills.</param>
/// <param name="WeightKg">Its weight; null where it was not weighed.</param>
public sealed record BroodInspected(
    long BroodId,
    long PondId,
    bool Thin,
    bool Sores,
    bool SkinParasites,
    bool GillParasites,
    double? WeightKg
) : Fact
{
    /// <summary>Whether it may spawn or be bought: none of the four.</summary>
    public bool Accepted => !(Thin || Sores || SkinParasites || GillParasites);

    /// <summary>What is wrong, in words; empty where nothing is.</summary>
    public string Faults =>
        string.Join(
            ", ",
            new[]
            {
                (Thin, "thin"),
                (Sores, "sores"),
                (SkinParasites, "parasites on the skin"),
                (GillParasites, "parasites in the gills"),
            }
                .Where(f => f.Item1)
                .Select(f => f.Item2)
        );

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="known">Whether the register has it.</param>
    public IEnumerable<Remark> Check(bool known)
    {
        if (!known)
            yield return Remark.Refuse("Brood", "The register has no such fish. Choose one of the list.");
        if (WeightKg is not (null or (> 0 and <= 300)))
            yield return Remark.Refuse("Mass", h => $"{Limit.Range(0, 300, Measures.Mass, h)}, above 0.");
    }
}

/// <summary>How forage was made safe.</summary>
public enum ForageState
{
    /// <summary>Alive.</summary>
    Live,

    /// <summary>Raw or trash fish.</summary>
    Raw,

    /// <summary>Frozen for weeks.</summary>
    Frozen,

    /// <summary>Cooked.</summary>
    Cooked,

    /// <summary>Dried.</summary>
    Dried,
}

/// <summary>Forage fish or other natural food given.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Kind">What it was.</param>
/// <param name="Source">Where it came from.</param>
/// <param name="Kg">How much, kg; above 0.</param>
/// <param name="State">How it was made safe.</param>
public sealed record ForageGiven(long PondId, string Kind, string Source, double Kg, ForageState State) : Fact
{
    /// <summary>What it may bring with it.</summary>
    public Judgement Risk =>
        State switch
        {
            ForageState.Live or ForageState.Raw => new(
                Status.ActNow,
                "live and raw food brings the diseases and parasites of the water it comes from: cook or dry it, or take it from fish of this farm that are known to be sound"
            ),
            ForageState.Frozen => new(Status.Watch, "freezing kills most parasites, but no virus"),
            _ => new(Status.Steady, "made safe by heat or drying"),
        };

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="never">Whether the farm has set that live and raw food is never given.</param>
    public IEnumerable<Remark> Check(bool never)
    {
        if (Kind.Length is 0 or > 60)
            yield return Remark.Refuse("Kind", "1 to 60 letters.");
        if (Source.Length is 0 or > 80)
            yield return Remark.Refuse("Source", "Where it came from, 1 to 80 letters: disease is traced by it.");
        if (Kg is not (> 0 and <= 100_000))
            yield return Remark.Refuse("Mass", h => $"{Limit.Range(0, 100_000, Measures.Mass, h)}, above 0.");
        if (State is ForageState.Live or ForageState.Raw)
            yield return never
                ? Remark.Refuse("State", "This farm never gives live or raw food. Cook or dry it.")
                : Remark.Ask("State", "It may bring disease into the breeders. Is its source known to be sound?");
    }
}

/// <summary>The rule of the farm on live and raw food.</summary>
/// <param name="Never">Whether none is ever given.</param>
public sealed record ForageRule(bool Never) : Fact;

/// <summary>A look at a nest, or at a spawning vessel.</summary>
/// <param name="VesselId">The nest.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Seen">What was in it.</param>
public sealed record NestChecked(long VesselId, long PondId, NestSeen Seen) : Fact
{
    /// <summary>A pair is left alone for this long: spawning may last most of a day.</summary>
    public static readonly TimeSpan PairTime = TimeSpan.FromHours(20);

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="nest">The nest; null when there is none of that number.</param>
    /// <param name="pairSeen">When a pair was last seen in it; null when never.</param>
    /// <param name="at">When it is looked at.</param>
    public IEnumerable<Remark> Check(VesselDescribed? nest, DateTimeOffset? pairSeen, DateTimeOffset at)
    {
        if (nest is not { Kind: VesselKind.Nest } || nest.PondId != PondId)
            yield return Remark.Refuse("Nest", "Choose a nest of this pond.");
        if (pairSeen is { } seen && at > seen && at - seen < PairTime)
            yield return Remark.Ask(
                "Hour",
                $"A pair was seen here {(at - seen).TotalHours:0} hours ago: leave it alone for {PairTime.TotalHours:0} hours, else they leave or eat the eggs. Was it opened all the same?"
            );
    }
}

/// <summary>What is seen in a nest.</summary>
public enum NestSeen
{
    /// <summary>Empty.</summary>
    Empty,

    /// <summary>A pair in it.</summary>
    Pair,

    /// <summary>Eggs, guarded by the male.</summary>
    Eggs,
}
