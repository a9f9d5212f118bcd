using Dorsk.Core.Judging;

namespace Dorsk.Core.Feeding;

/// <summary>Ways to find a day's ration; chosen pond by pond, the others stand beside it.</summary>
public enum RationSchool
{
    /// <summary>Expected gain of the day × feed per gain.</summary>
    ExpectedGain,

    /// <summary>Percent of body weight by size, carried to the water's temperature.</summary>
    Table,

    /// <summary>What they last ate in their time, changed by how they came to it.</summary>
    Satiation,
}

/// <summary>The school of a pond; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="School">The school.</param>
public sealed record RationSchoolSet(long PondId, RationSchool School) : Fact;

/// <summary>Somebody wants another ration than the plan, for one day.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="BatchId">The batch.</param>
/// <param name="Day">The farm day.</param>
/// <param name="Kg">Feed of the whole day, kg; null goes back to the plan.</param>
/// <param name="Reason">Why.</param>
public sealed record RationOverruled(long PondId, long BatchId, DateOnly Day, double? Kg, string Reason) : Fact
{
    /// <summary>Objections, named by the field of the page.</summary>
    public IEnumerable<Remark> Check()
    {
        if (Kg is { } kg && kg is not (>= 0 and <= FeedingRule.MostKg))
            yield return Remark.Refuse(
                "kg",
                FormattableString.Invariant($"0 to {FeedingRule.MostKg:N0} kg for the day.")
            );
        if (Kg is not null && Reason.Trim().Length is 0 or > 200)
            yield return Remark.Refuse("reason", "Say why in 1 to 200 letters: the plan had its reasons.");
    }
}

/// <summary>A day whose meals somebody watched to the end.</summary>
/// <param name="Day">The farm day.</param>
/// <param name="EatenKg">Eaten on it, kg.</param>
/// <param name="Score">How the fish came to it, 0 to 4, the mean of its meals.</param>
public sealed record ScoredDay(DateOnly Day, double EatenKg, int Score);

/// <summary>A day's feed by one school, before brakes.</summary>
/// <param name="School">The school.</param>
/// <param name="Kg">Feed, kg; null when it cannot tell.</param>
/// <param name="Said">How it comes about, or why it cannot tell, in a few words.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record SchoolRation(RationSchool School, double? Kg, string Said, string Source)
{
    // Between "stops eating" and "stops growing" a little feed keeps fish in condition over winter; starting value of the trade.
    internal const double MaintenanceShareOfBody = 0.003;

    // Schools that differ by more than a third cannot both be right.
    private const double Third = 1.0 / 3;

    // A meal that somebody watched speaks for so long.
    private const int ScoreSpeaksDays = 7;

    /// <summary>What every school says.</summary>
    public static IReadOnlyList<SchoolRation> All(RationQuestion q) => [Gain(q), OfTable(q), Satiated(q)];

    /// <summary>The school that differs most from the one that is followed, when they are more than a third apart; else null.</summary>
    /// <param name="schools">What every school says.</param>
    /// <param name="followed">The school that is followed.</param>
    public static SchoolRation? FarApart(IReadOnlyList<SchoolRation> schools, RationSchool followed)
    {
        if (schools.FirstOrDefault(s => s.School == followed)?.Kg is not { } own || own <= 0)
            return null;
        return schools
            .Where(s => s.School != followed && s.Kg is { } kg && Math.Abs(kg - own) > own * Third)
            .MaxBy(s => Math.Abs(s.Kg!.Value - own));
    }

    /// <summary>Whether the water is so cold that feed only keeps the fish.</summary>
    public static bool KeepsOnly(RationQuestion q) => Maintenance(q) > ByGain(q);

    private static double ByGain(RationQuestion q) => q.FullGainG * q.Count / 1000 * q.Fcr;

    private static double Maintenance(RationQuestion q) =>
        q.TempC >= q.Species.FeedMinC && q.Fcr > 0 ? MaintenanceShareOfBody * q.BiomassKg : 0;

    private static SchoolRation Gain(RationQuestion q) =>
        new(
            RationSchool.ExpectedGain,
            Math.Max(ByGain(q), Maintenance(q)),
            KeepsOnly(q)
                ? "too cold for much growth: 0.3 % of the biomass keeps them"
                : $"gain of {Units.QuantityText.Write(q.FullGainG, Units.Measures.DayGain, q.Hand)} each × FCR {q.Hand.Figure(q.Fcr, 2)}",
            "Growth model (Yan & Hunt 1999) and FCR of the species table"
        );

    private static SchoolRation OfTable(RationQuestion q) =>
        TableRation.For(q.Species, q.MeanG, q.TempC) is not { } t
            ? new(RationSchool.Table, null, "no table for this species", "")
            : new(
                RationSchool.Table,
                t.StartPct / 100 * q.BiomassKg,
                $"{q.Hand.Short(t.StartPct, 2)} % of the biomass ({q.Hand.Short(t.LowPct, 2)} to {q.Hand.Short(t.HighPct, 2)})",
                $"Ration by size and temperature; {t.Source}; starting value"
            );

    private static SchoolRation Satiated(RationQuestion q) =>
        q.Scored is not { } s || q.Day.DayNumber - s.Day.DayNumber is < 1 or > ScoreSpeaksDays
            ? new(RationSchool.Satiation, null, "no meal was watched and scored this week", "")
            : new(
                RationSchool.Satiation,
                s.EatenKg * (1 + FeedResponse.Change(s.Score)),
                FormattableString.Invariant(
                    $"last eaten, {(FeedResponse.Change(s.Score) is 0 ? "unchanged" : FormattableString.Invariant($"{100 * FeedResponse.Change(s.Score):+0;-0} %"))} after a response of {s.Score}"
                ),
                "Timed feeding with a response score; changes are starting values"
            );
}
