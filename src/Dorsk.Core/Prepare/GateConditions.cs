using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Prepare;

/// <summary>The conditions of the ready-to-stock gate, a method each.</summary>
/// <param name="q">The pond.</param>
/// <param name="hand">How figures are printed.</param>
internal sealed class GateConditions(GateQuestion q, Hand hand)
{
    private const double EnoughWater = 0.6,
        LimeDays = 7,
        HighPh = 9,
        // Leng, Skillicorn and others: usual and most cover when fish come, starting values.
        CoverPct = 30,
        MostCoverPct = 50,
        PhSwing = 1.5;
    private const int Mornings = 2,
        StepsNamed = 3;

    /// <summary>All of them in the order in which they are worked on; null where one does not apply.</summary>
    public IEnumerable<GateLine?> InOrder() =>
        [
            FilledEnough(),
            Lime(),
            DawnOxygen(),
            Temperature(),
            Acidity(),
            Ammonia(),
            PoisonGone(),
            NaturalFood(),
            Preparation(),
            HoldsWater(),
            Screens(),
            WildFish(),
            WeedCover(),
        ];

    private GateLine FilledEnough()
    {
        if (q.LevelM is not { } level)
            return Unknown("water", "the gauge level was never read", "Read the staff gauge.");
        var filled = $"{Say(level, Measures.Length)} of {Say(q.FullM, Measures.Length)}";
        return level >= EnoughWater * q.FullM
            ? Met("water", filled)
            : NotMet(
                "water",
                filled,
                $"Fill to {Say(EnoughWater * q.FullM, Measures.Length)} at least; fry ponds may start shallow: then say so as the reason."
            );
    }

    private GateLine Lime()
    {
        if (q.DaysSinceLime is not { } days)
            return Met("lime", "none was spread");
        var spread = FormattableString.Invariant($"spread {days:0} days ago");
        return days >= LimeDays
            ? Met("lime", spread)
            : NotMet(
                "lime",
                spread,
                FormattableString.Invariant($"Wait until {LimeDays:0} days have passed and pH is under 8.5.")
            );
    }

    private GateLine DawnOxygen()
    {
        const string name = "dawn oxygen";
        if (q.DawnLows.Count == 0)
            return Unknown(name, "no morning was read in the last three days", "Read oxygen at dawn on two mornings.");
        var lowest = q.DawnLows.Take(Mornings).Min();
        if (lowest < q.WatchMgL)
            return NotMet(
                name,
                $"{Say(lowest, Measures.Oxygen)} at dawn, under {Say(q.WatchMgL, Measures.Oxygen)}",
                "Aerate, and wait for two good mornings."
            );
        return q.DawnLows.Count < Mornings
            ? Unknown(name, $"one good morning so far, {Say(lowest, Measures.Oxygen)}", "Read the next morning too.")
            : Met(name, $"{Say(lowest, Measures.Oxygen)} or more on two mornings");
    }

    private GateLine Temperature()
    {
        const string name = "temperature";
        if (q.TempC is not { } temp)
            return Unknown(name, "not read today", "Read the water temperature.");
        return Against(PondVerdict.Temperature) is { } finding
            ? NotMet(name, finding.Reason, "Wait for other weather, or stock another pond.")
            : Met(name, Say(temp, Measures.Temperature));
    }

    private GateLine Acidity()
    {
        if (q.Ph.Count == 0)
            return Unknown("pH", "not read in two days", "Read pH at dawn and in the afternoon.");
        var (low, high) = (q.Ph.Min(), q.Ph.Max());
        var range = low == high ? Say(low, Measures.Ph) : $"{Say(low, Measures.Ph)} to {Say(high, Measures.Ph)}";
        const string wait = "Wait for lime to settle or the bloom to thin; change water.";
        if (Against(PondVerdict.Ph) is { } finding)
            return NotMet("pH", finding.Reason, wait);
        if (high >= HighPh)
            return NotMet("pH", $"{range}, not under {Say(HighPh, Measures.Ph)}", wait);
        return high - low > PhSwing
            ? NotMet(
                "pH",
                $"{range}: a swing over {Say(PhSwing, Measures.Ph)}",
                "Raise alkalinity; a thinner bloom swings less."
            )
            : Met("pH", range);
    }

    private GateLine Ammonia()
    {
        if (q.Nh3MgL is not { } nh3)
            return Unknown(
                "ammonia",
                "total ammonia with pH and temperature was not read in two days",
                "Test ammonia in the afternoon."
            );
        return Against(PondVerdict.Nh3) is { } finding
            ? NotMet("ammonia", finding.Reason, "Change water, wait, test again.")
            : Met("ammonia", FormattableString.Invariant($"un-ionised {nh3:0.000} mg N/L"));
    }

    private GateLine? PoisonGone()
    {
        if (!q.Poisoned)
            return null;
        return q.Tested
            ? Met("poison gone", "a few fish lived in it")
            : NotMet(
                "poison gone",
                "treated, and no fish was tried in it since",
                "Wait the label's days, then keep a few fish two days in a net in it, and write it down."
            );
    }

    private GateLine? NaturalFood()
    {
        const string name = "natural food";
        if (!q.FoodSecchiM.Wanted)
            return null;
        if (q.FoodSeen && q.FoodSecchiM.SecchiM is null or >= WaterJudge.DangerousBloomM)
            return Met(name, "a plankton sample showed it");
        if (q.FoodSecchiM.SecchiM is not { } secchi)
            return Unknown(name, "Secchi depth was not read in a week", "Read the Secchi disc.");
        var read = $"Secchi {Say(secchi, Measures.ShortLength)}";
        if (secchi > WaterJudge.ThinBloomM)
            return NotMet(
                name,
                $"{read}, over {Say(WaterJudge.ThinBloomM, Measures.ShortLength)}: the water is thin",
                "Wait, or give the next dose if nothing holds it back."
            );
        return secchi < WaterJudge.DangerousBloomM
            ? NotMet(name, $"{read}, a dangerous bloom", "Change water, no more fertiliser.")
            : Met(name, read);
    }

    private GateLine? Preparation()
    {
        if (q.OpenSteps.Count == 0)
            return null;
        var named = string.Join("; ", q.OpenSteps.Take(StepsNamed)) + (q.OpenSteps.Count > StepsNamed ? " …" : "");
        return NotMet(
            "preparation",
            $"{q.OpenSteps.Count} of its steps are open: {named}",
            "Do them, or leave them out with a reason, in the preparation."
        );
    }

    // Weed takes light and, at night, oxygen: open it, aerate for a week, and let no fish in without a reading.
    private GateLine? WeedCover()
    {
        if (q.CoverPct is not { } cover)
            return null;
        var said = $"{hand.Figure(cover, 0)} % of the surface covered";
        var open =
            $"Open it to under {CoverPct:0} %, a part a day, aerate for a week, read oxygen at dawn on two mornings.";
        if (cover > MostCoverPct)
            return NotMet("weed cover", $"{said}, over {MostCoverPct:0} %", open);
        if (cover <= CoverPct)
            return Met("weed cover", said);
        return q.DawnLows.Count >= Mornings && q.DawnLows.Take(Mornings).Min() >= q.WatchMgL
            ? Met("weed cover", $"{said}, and two good mornings under it")
            : NotMet("weed cover", $"{said}, and no two good mornings were read under it", open);
    }

    private GateLine? HoldsWater() =>
        InPonds(
            "holds water",
            q.HeldWater,
            "a leak test was passed",
            "no leak test was written down",
            "Mark the level, read it again after three days."
        );

    private GateLine? Screens() =>
        InPonds(
            "screens",
            q.Screens,
            "written down as fitted",
            "not written down",
            "Fit inlet and outlet screens finer than the fingerlings, and write it down."
        );

    private GateLine? WildFish() =>
        InPonds(
            "wild fish",
            q.WildFish,
            "none found",
            "nobody wrote that none are in it",
            "Seine or look for wild fish, eggs and tadpoles, and write it down."
        );

    // What tanks are not asked.
    private GateLine? InPonds(string name, bool isDone, string done, string open, string toDo)
    {
        if (q.ByVolume)
            return null;
        return isDone ? Met(name, done) : Unknown(name, open, toDo);
    }

    private Finding? Against(string rule) => q.Against.FirstOrDefault(f => f.Rule == rule);

    private string Say(double si, Measure m) => QuantityText.Write(si, m, hand);

    private static GateLine Met(string name, string reason) => new(name, Condition.Met, reason, "");

    private static GateLine NotMet(string name, string reason, string toDo) =>
        new(name, Condition.NotMet, reason, toDo);

    private static GateLine Unknown(string name, string reason, string toDo) =>
        new(name, Condition.Unknown, reason, toDo);
}
