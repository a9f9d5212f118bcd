using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Hatchery;

/// <summary>What the water, the look and the vessel of a lot come to.</summary>
/// <param name="species">The species.</param>
/// <param name="table">How its eggs develop.</param>
/// <param name="hand">How figures are printed.</param>
public sealed class LotWater(FishSpecies species, EggTable table, Hand hand)
{
    /// <summary>Where the limits come from.</summary>
    public const string Source =
        "Bands of eggs by species; limits by life stage; turnover of 30 to 60 minutes, 10 % fungus, 1 deformed of 20 (starting values of the trade)";

    private const double FungusWatchPct = 10,
        FungusActPct = 30,
        StillMin = 120,
        LeastHours = 0.5;

    /// <summary>Findings of the last look, the worst first.</summary>
    /// <param name="stage">What stands in the lot.</param>
    /// <param name="look">The last values of each kind; null while nobody looked.</param>
    /// <param name="vessel">Where they stand; null where it is not described.</param>
    public IReadOnlyList<Judgement> Of(LotStage stage, LotLooked? look, VesselDescribed? vessel)
    {
        List<Judgement> found = [];
        if (look?.TempC is { } c)
            found.Add(Temperature(stage, c));
        if (look?.DoMgL is { } mgL)
            found.Add(Named("oxygen", WaterJudge.Oxygen(mgL, Limits(stage), hand)));
        if (look?.Ph is { } ph)
            found.Add(WaterJudge.Judge(Parameter.Ph, ph, Limits(stage), hand));
        found.AddRange(Seen(look));
        if (vessel is not null && stage != LotStage.Fry)
            found.AddRange(Turnover(vessel));
        return [.. found.OrderByDescending(f => f.Status)];
    }

    private Judgement Temperature(LotStage stage, double c) =>
        stage == LotStage.Eggs
            ? Named(QuantityText.Write(c, Measures.Temperature, hand), EggClock.Band(table, c), ": ")
            : WaterJudge.Judge(Parameter.Temperature, c, Limits(stage), hand);

    // The stricter of the group of the species and of the species' own row.
    private WaterLimits Limits(LotStage stage)
    {
        if (stage != LotStage.Eggs)
            return WaterLimits.For(species, LifeStage.Fry);
        var group = WaterLimits.OfEggs(species);
        return group with
        {
            DoActMgL = Math.Max(group.DoActMgL, table.LeastMgL),
            DoWatchMgL = Math.Max(group.DoWatchMgL, table.LeastMgL),
            PhHigh = Math.Min(group.PhHigh, table.HighestPh),
        };
    }

    private static Judgement Named(string what, Judgement j, string between = " ") =>
        j with
        {
            Reason = what + between + j.Reason,
        };

    private static IEnumerable<Judgement> Seen(LotLooked? look)
    {
        if (look?.FungusPct is { } pct)
            yield return pct >= FungusActPct
                ? new(
                    Status.ActNow,
                    $"{pct:0} % under fungus: take the dead out, part the mass; treat only by the label or as the vet says"
                )
            : pct >= FungusWatchPct ? new(Status.Watch, $"{pct:0} % under fungus: too cool or too still")
            : new(Status.Steady, $"{pct:0} % under fungus");
        if (look?.DeformedOf20 is > 0 and var bent)
            yield return new(
                bent > 1 ? Status.ActNow : Status.Watch,
                $"{bent} of 20 deformed: look back at the warmest hours"
            );
        if (look is not null && EggRoom.Means(look.Mixing) is { } mixing)
            yield return mixing;
        if (look is not null && FryTank.Means(look.Behaviour) is { } behaves)
            yield return behaves;
    }

    private static IEnumerable<Judgement> Turnover(VesselDescribed vessel)
    {
        if (vessel.TurnoverMin is not { } minutes)
            yield break;
        if (minutes > EggRoom.TurnoverMin.High)
            yield return new(
                minutes > StillMin ? Status.ActNow : Status.Watch,
                $"the flow turns {vessel.Name} over in {minutes:0} minutes, wanted in 30 to 60: open it"
            );
    }

    /// <summary>Whether the colour and the stage that are seen fit the clock.</summary>
    /// <param name="expected">What the clock expects.</param>
    /// <param name="look">What was seen; null while nobody looked.</param>
    public static Judgement? Fits(EggStage expected, LotLooked? look)
    {
        if (look?.Colour == EggColour.White)
            return new(Status.ActNow, "white and clouded: these are dead. Take them out before fungus spreads");
        if (look?.Seen is { } seen && seen != expected)
            return new(
                Math.Abs(seen - expected) > 1 ? Status.Watch : Status.Steady,
                seen < expected
                    ? "behind the clock: read the trough by a second thermometer, look for dead eggs"
                    : "ahead of the clock: be ready sooner"
            );
        return
            look is { Colour: not EggColour.NotSeen } && ColoursOf(expected) is var fits && !fits.Contains(look.Colour)
            ? new(Status.Watch, $"{Word(look.Colour)} was seen, {string.Join(" or ", fits.Select(Word))} is due")
            : null;
    }

    /// <summary>Colours that a stage shows.</summary>
    public static IReadOnlyList<EggColour> ColoursOf(EggStage stage) =>
        stage switch
        {
            EggStage.Fresh => [EggColour.Yellow],
            EggStage.Embryo => [EggColour.Yellow, EggColour.Pink],
            EggStage.Eyed => [EggColour.Pink, EggColour.RedBrown],
            _ => [EggColour.RedBrown, EggColour.Pink],
        };

    /// <summary>A colour in words.</summary>
    public static string Word(EggColour colour) =>
        colour switch
        {
            EggColour.Yellow => "yellow or clear",
            EggColour.Pink => "pink",
            EggColour.RedBrown => "red-brown",
            EggColour.White => "white",
            _ => "not looked at",
        };

    /// <summary>What it costs that the water was out of its band: hours too warm and too cool since the taking; null where it never was.</summary>
    /// <param name="record">Water of the trough in order of time, °C.</param>
    /// <param name="now">The instant.</param>
    public string? OutOfBand(IReadOnlyList<(DateTimeOffset At, double TempC)> record, DateTimeOffset now)
    {
        double Hours(Func<double, bool> where) =>
            record
                .Select((r, i) => (r.TempC, Hours: ((i + 1 < record.Count ? record[i + 1].At : now) - r.At).TotalHours))
                .Where(x => where(x.TempC))
                .Sum(x => Math.Max(0, x.Hours));
        var (warm, cool) = (Hours(c => c > table.Band.HighC), Hours(c => c < table.Band.LowC));
        string?[] said =
        [
            warm >= LeastHours ? $"{hand.Figure(warm, 1)} h too warm: expect deformed and weak fry" : null,
            cool >= LeastHours ? $"{hand.Figure(cool, 1)} h too cool: expect fungus and a slow, uneven hatch" : null,
        ];
        return said.Any(s => s is not null) ? string.Join("; ", said.OfType<string>()) : null;
    }
}
