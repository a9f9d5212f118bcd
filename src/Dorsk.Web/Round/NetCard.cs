using Dorsk.Core.Harvest;
using Dorsk.Core.Season;
using Dorsk.Core.Units;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Round;

/// <summary>Something to choose on the phone.</summary>
/// <param name="Key">Name in the entry.</param>
/// <param name="Word">What is shown.</param>
public sealed record NetChoice(string Key, string Word);

/// <summary>What baskets of a fate mostly weigh, in the farm's unit.</summary>
public sealed record NetUsual(double Low, double High);

/// <summary>Minutes of air for a crowd of so many, one for each step of oxygen; null where the pump holds it above the act level.</summary>
/// <param name="Word">How much is in the net, in words.</param>
/// <param name="Crowd">The same as it is entered.</param>
/// <param name="Minutes">Minutes for oxygen of 0, one step, two steps…</param>
public sealed record NetAirRow(string Word, string Crowd, IReadOnlyList<double?> Minutes);

/// <summary>A basket on the list of the phone.</summary>
public sealed record NetBasket(long Line, string At, string By, string Kg, string Word, int Pull);

/// <summary>What a phone takes along to the net: the tally so far, what is expected, limits and the table of air. Rules stay at the farm.</summary>
public sealed record NetCard(
    DateTimeOffset IssuedAt,
    string By,
    string Sign,
    string Pond,
    long Net,
    string Unit,
    string OxygenUnit,
    double Low,
    double High,
    double Kg,
    double Fish,
    double FishPerUnit,
    int Baskets,
    int Pull,
    string Tare,
    double MostGross,
    IReadOnlyList<NetChoice> Fates,
    IReadOnlyList<NetChoice> Classes,
    IReadOnlyDictionary<string, NetUsual> Usual,
    IReadOnlyList<string> Missed,
    double? NotIcedMin,
    double IceWithinMin,
    double AirStep,
    IReadOnlyList<NetAirRow> Air,
    double? CrowdMin,
    bool CrowdHeld,
    double CrowdActMin,
    double CrowdWatchMin,
    IReadOnlyList<NetBasket> Last
)
{
    private const double StepMgL = 0.25,
        MostMgL = 20;
    private const int Shown = 8;

    // How much is in the net is guessed by eye: all that is left, a half, a third, a tenth.
    private static readonly (double Share, string Word)[] Shares =
    [
        (1.0 / 3, "a third of what is left"),
        (1, "all that is left"),
        (0.5, "half of it"),
        (0.1, "a tenth"),
    ];

    /// <summary>Writes the card.</summary>
    public static NetCard Of(PondStory story, NetTally tally, Here here)
    {
        var unit = Measures.Mass.In(here.Hand);
        var taken = tally.Taken;
        var species = story.Batches.FirstOrDefault(b => b.Id == tally.Begun.BatchId)?.Species;
        var state = story.Water.StateNow(here.Now);
        var crowd = state.Crowd;
        var left = crowd is null ? (double?)null : crowd.Minutes - (here.Now - crowd.ReadAt).TotalMinutes;
        return new(
            here.Now,
            here.Author,
            here.Hand.Sign == DecimalSign.Comma ? "," : ".",
            story.Pond.Code,
            tally.Begun.NetId,
            unit.Symbol,
            Measures.Oxygen.In(here.Hand).Symbol,
            unit.FromSi(tally.Begun.LowKg),
            unit.FromSi(tally.Begun.HighKg),
            unit.FromSi(taken.Kg),
            taken.Count,
            1000 * unit.ToSi(1) / tally.MeanG(tally.Baskets),
            taken.Baskets,
            tally.PullNow,
            tally.Baskets.Count > 0 ? here.Typed(tally.Baskets[^1].Weighed.TareKg, Measures.Mass) : "",
            unit.FromSi(BasketWeighed.MostKg),
            [.. NetWord.Fates.Select(f => new NetChoice(f.Key, f.Word))],
            species is null ? [] : ClassesOf(species, here),
            UsualOf(tally, unit),
            NetNoted.Ways,
            tally.Ice(here.Now).WaitsSince is { } since ? (here.Now - since).TotalMinutes : null,
            NetTally.IceWithin.TotalMinutes,
            StepMgL,
            [.. AirOf(story, state, tally, here)],
            left is { } m && double.IsFinite(m) ? m : null,
            left is { } held && double.IsPositiveInfinity(held),
            Core.Verdict.CrowdInNet.ActMinutes,
            Core.Verdict.CrowdInNet.WatchMinutes,
            LastOf(tally, here)
        );
    }

    private static List<NetChoice> ClassesOf(Core.Species.FishSpecies species, Here here) =>
        [.. SizeClass.Of(species).Select(c => new NetChoice(here.Typed(c.FromG, 1), NetWord.Of(c, here)))];

    private static Dictionary<string, NetUsual> UsualOf(NetTally tally, Unit unit) =>
        tally
            .Baskets.GroupBy(b => b.Weighed.Fate)
            .Select(g =>
                (
                    g.Key,
                    Usual: BasketWeighed.Usual([.. g.TakeLast(BasketWeighed.Neighbours).Select(b => b.Weighed.NetKg)])
                )
            )
            .Where(g => g.Usual is not null)
            .ToDictionary(
                g => g.Key.ToString(),
                g => new NetUsual(unit.FromSi(g.Usual!.Value.Low), unit.FromSi(g.Usual.Value.High))
            );

    private static IEnumerable<NetAirRow> AirOf(
        PondStory story,
        Core.Verdict.PondState state,
        NetTally tally,
        Here here
    )
    {
        if (state.Fish.Count == 0)
            yield break;
        var all = Math.Max(1, NetOutlook.LeftKg(tally));
        foreach (var (share, word) in Shares)
        {
            var kg = all * share;
            var minutes = Enumerable
                .Range(0, (int)(MostMgL / StepMgL) + 1)
                .Select(i => NetAir.Minutes(NetOutlook.Of(story, state, tally, i * StepMgL, kg)) ?? 0)
                .Select(m => double.IsFinite(m) ? (double?)m : null);
            yield return new(
                $"{word}, {here.Say(kg, Measures.Mass with { Decimals = 0, UsDecimals = 0 })}",
                here.Typed(kg, Measures.Mass),
                [.. minutes]
            );
        }
    }

    private static List<NetBasket> LastOf(NetTally tally, Here here) =>
        [
            .. tally
                .Baskets.Reverse()
                .Take(Shown)
                .Select(b => new NetBasket(
                    b.Line,
                    here.Hour(b.At),
                    b.By,
                    here.Say(b.Weighed.NetKg, Measures.Mass),
                    NetWord.Of(b.Weighed.Fate),
                    b.Weighed.Pull
                )),
        ];
}
