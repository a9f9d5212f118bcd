namespace Dorsk.Core.Health;

/// <summary>Where the fish stand, as far as it rules which causes can be.</summary>
/// <param name="InTank">In a tank: no bloom, no mud, perhaps a filter.</param>
/// <param name="HasFish">Whether fish stand here.</param>
/// <param name="HasShrimp">Whether shrimp, prawns or crayfish stand here.</param>
/// <param name="HasFry">Whether fish under two grams stand here.</param>
public readonly record struct SearchPlace(bool InTank, bool HasFish, bool HasShrimp, bool HasFry)
{
    /// <summary>Whether something of the tables can be here.</summary>
    /// <param name="who">All, fish, shrimp, fry, tank or pond.</param>
    public bool Fits(string who) =>
        who switch
        {
            "fish" => HasFish,
            "shrimp" => HasShrimp,
            "fry" => HasFry,
            "tank" => InTank,
            "pond" => !InTank,
            _ => true,
        };
}

/// <summary>A sign that counted for or against a cause.</summary>
/// <param name="Sign">The sign.</param>
/// <param name="Seen">Whether it was seen; else it was looked for and not there.</param>
/// <param name="Points">What it added.</param>
public sealed record Counted(Sign Sign, bool Seen, int Points);

/// <summary>A cause with the sum of its points: no probability.</summary>
/// <param name="Cause">The cause.</param>
/// <param name="Score">Sum of the points.</param>
/// <param name="Because">Every sign that raised or lowered it, the strongest first.</param>
public sealed record RankedCause(Cause Cause, int Score, IReadOnlyList<Counted> Because);

/// <summary>A test that would part the first causes, and how.</summary>
/// <param name="Test">The test.</param>
/// <param name="For">The cause that it raises when its sign is seen.</param>
/// <param name="Against">The cause it parts that from.</param>
public sealed record PartingTest(SignTest Test, Cause For, Cause Against);

/// <summary>A search for the cause of sick fish: which signs are seen and which are not, and what follows.</summary>
/// <param name="Place">Where they stand.</param>
/// <param name="Signs">Signs that were looked for: seen or not.</param>
public sealed record HealthSearch(SearchPlace Place, IReadOnlyDictionary<string, bool> Signs)
{
    private const int Compared = 3,
        ClearLead = 6,
        LeastSwing = 5;
    private const double EffortWeight = 0.8;

    /// <summary>Causes that can be here, the likeliest first; of equal points the one of the water.</summary>
    public IReadOnlyList<RankedCause> Ranked { get; } = Rank(Place, Signs);

    /// <summary>The causes that something speaks for.</summary>
    public IReadOnlyList<RankedCause> Likely => [.. Ranked.Where(r => r.Score > 0)];

    /// <summary>
    /// The test whose outcome would part the first causes best, or once one leads clearly the one that would prove or end it; null when
    /// none is left that would. Oxygen comes before all others.
    /// </summary>
    public PartingTest? Next
    {
        get
        {
            // A third cause far behind the first is not worth a test.
            var first = Ranked.Take(Compared).Where((r, i) => i < 2 || 2 * r.Score >= Ranked[0].Score).ToList();
            if (!Signs.ContainsKey("do_low"))
                return new(SignTest.Find("oxygen")!, Cause.Find("low_oxygen")!, OtherThan("low_oxygen", first));
            var open = Sign.All.Where(s =>
                s.Told != SignTold.Log && !Signs.ContainsKey(s.Key) && Place.Fits(s.For) && s.Key != "dawn_low"
            );
            var best = open.GroupBy(s => s.Test)
                .Select(g => (Test: SignTest.Find(g.Key)!, Parts: g.Select(s => Parts(s.Key, first)).MaxBy(p => p.By)))
                .Where(x => x.Parts.By > 1)
                .OrderByDescending(x => x.Parts.By - (EffortWeight * x.Test.Effort))
                .FirstOrDefault();
            return best.Test is null ? null : new(best.Test, best.Parts.For, best.Parts.Against);
        }
    }

    /// <summary>
    /// Gasping fish lack oxygen, or have gills that cannot take it up: what today's reading says of the two.
    /// </summary>
    /// <returns>Null while none of them gasps.</returns>
    public string? GaspingMeans
    {
        get
        {
            bool IsSeen(string key) => Signs.GetValueOrDefault(key);
            if (!IsSeen("gasp_dawn") && !IsSeen("gasp_day") && !IsSeen("inlet") && !IsSeen("climb"))
                return null;
            if (!Signs.TryGetValue("do_low", out var low))
                return "They gasp, and oxygen was not read today: air first, then read it where they are. Only that parts water without oxygen from gills that cannot take it up.";
            return low
                ? "They gasp in water that lacks oxygen: air is the answer, and no medicine."
                : "They gasp in water that holds oxygen: the gills cannot take it up. Nitrite, ammonia, carbon dioxide, parasites or mud first; air eases it all the same.";
        }
    }

    private static IReadOnlyList<RankedCause> Rank(SearchPlace place, IReadOnlyDictionary<string, bool> signs) =>
        [
            .. Cause
                .All.Where(c => place.Fits(c.For))
                .Select(c => new RankedCause(c, 0, Counts(c, signs)))
                .Select(r => r with { Score = r.Because.Sum(b => b.Points) })
                .OrderByDescending(r => r.Score),
        ];

    private static IReadOnlyList<Counted> Counts(Cause cause, IReadOnlyDictionary<string, bool> signs) =>
        [
            .. signs
                .Select(s => (Sign: Sign.Find(s.Key), Seen: s.Value, Evidence: Evidence.Of(s.Key, cause.Key)))
                .Where(x => x.Sign is not null)
                .Select(x => new Counted(x.Sign!, x.Seen, x.Seen ? x.Evidence.Seen : x.Evidence.NotSeen))
                .Where(x => x.Points != 0)
                .OrderByDescending(x => Math.Abs(x.Points))
                .ThenBy(x => x.Sign.Key, StringComparer.Ordinal),
        ];

    // How far apart a sign would bring two of the first causes: what it adds when seen less what it takes when not.
    private static (double By, Cause For, Cause Against) Parts(string sign, List<RankedCause> first)
    {
        int Swing(RankedCause r) => Evidence.Of(sign, r.Cause.Key) is var e ? e.Seen - e.NotSeen : 0;
        if (first[0].Score - first[1].Score >= ClearLead)
            return (Proves(Swing(first[0]) - Math.Max(0, Swing(first[1]))), first[0].Cause, first[1].Cause);
        var best = (By: 1.0, For: first[0].Cause, Against: first[0].Cause);
        for (var i = 0; i < first.Count; i++)
        for (var j = i + 1; j < first.Count; j++)
        {
            // The first two matter most.
            var by = Math.Abs(Swing(first[i]) - Swing(first[j])) * (j == 1 ? 1 : 0.5);
            if (by > best.By)
                best =
                    Swing(first[i]) >= Swing(first[j])
                        ? (by, first[i].Cause, first[j].Cause)
                        : (by, first[j].Cause, first[i].Cause);
        }
        return best;
    }

    // A cause that leads clearly is not asked about for a point or two.
    private static double Proves(int swing) => swing >= LeastSwing ? swing : 0;

    private static Cause OtherThan(string key, List<RankedCause> first) => first.First(r => r.Cause.Key != key).Cause;
}
