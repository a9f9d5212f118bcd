using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;

namespace Dorsk.Practice;

/// <summary>How the people of a wide pond run their aerators: by a timer that stays, by whim, or all of them after a low evening.</summary>
internal sealed class WideAir
{
    private readonly Chance chance;
    private readonly int way;
    private readonly double kW;
    private readonly TimeOnly usualOn,
        usualOff;
    private IReadOnlyList<Aerator> set = [];

    public WideAir(double kW, Chance chance)
    {
        (this.kW, this.chance) = (kW, chance);
        way = (int)(3 * chance.Uniform());
        usualOn = new((20 + (int)(6 * chance.Uniform())) % 24, 0);
        usualOff = new(6 + (int)(3 * chance.Uniform()), 0);
    }

    /// <summary>What is set this evening; told only when it is changed.</summary>
    public IReadOnlyList<Aerator> Evening(DateTimeOffset at, double lastMgL, List<(DateTimeOffset At, Fact Fact)> told)
    {
        if (kW == 0)
            return set;
        var wanted =
            way == 1 && set.Count > 0 ? ByWhim()
            : way == 2 && lastMgL < 6 ? Timers(2, -3)
            : Timers(1, 0);
        if (!wanted.SequenceEqual(set))
            told.Add((at, new AeratorsFitted(1, wanted)));
        return set = wanted;
    }

    private IReadOnlyList<Aerator> ByWhim() =>
        chance.Uniform() > 0.15 ? set : Timers((int)(3 * chance.Uniform()), (int)(6 * chance.Uniform()));

    // Two machines of half the power each; the second runs only where both are set.
    private IReadOnlyList<Aerator> Timers(int number, int laterH) =>
        [
            .. Enumerable
                .Range(1, 2)
                .Select(i => new Aerator(
                    "A" + i,
                    AeratorKind.Find(DemoScript.Paddle)!,
                    kW / 2,
                    i <= number ? usualOn.AddHours(laterH) : null,
                    i <= number ? usualOff : null
                )),
        ];
}
