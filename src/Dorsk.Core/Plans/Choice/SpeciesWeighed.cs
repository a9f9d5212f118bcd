using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>
/// One fish held against a site: months of good and bearable water, growth, what the water carries, margin from the worst pairing to the best, the
/// scale that is worth while, and in words what speaks for and against it. No fish is simply best.
/// </summary>
/// <param name="Candidate">The fish.</param>
/// <param name="Site">The site.</param>
/// <param name="Plan">The plan of one cycle at the middle price, as many fish as the water lets stand.</param>
public sealed record SpeciesWeighed(SpeciesCandidate Candidate, SpeciesSite Site, StockingAnswer Plan)
{
    /// <summary>Where judged figures come from.</summary>
    public const string Source =
        "Growth and limits of the species table; margins from the prices typed; hours of handwork and days between cycles are starting values, judged";

    // Water in which they grow at seven tenths of their best or more is good; days a pond stands between two cycles; a wanted weight somewhat above the lower market size.
    private const double GoodGrowth = 0.7,
        IdleDays = 35,
        OverMarketLow = 1.2,
        WorseSurvival = 15,
        WorseFeed = 1.1,
        HardSurvivalPct = 40,
        DaysOfYear = 365.25;

    // Hours of handwork for a tonne: feeding, rounds, grading, harvest by a small crew; animals that hide, moult and fight want each one handled.
    private const double FishHoursTonne = 120,
        CrustaceanHoursTonne = 350,
        TankHours = 1.5;

    /// <summary>Works one out.</summary>
    public static SpeciesWeighed Of(SpeciesCandidate c, SpeciesSite site) =>
        new(c, site, StockingAnswer.Of(Question(c, site, (c.PriceLow + c.PriceHigh) / 2)));

    /// <summary>Months whose mean water lets them grow at seven tenths of their best or more.</summary>
    public int GoodMonths => Months.Count(t => TemperatureResponse.F(t, Candidate.Species) >= GoodGrowth);

    /// <summary>Months whose mean water lets them grow at all.</summary>
    public int GrowingMonths => Months.Count(t => t > Candidate.Species.GrowthMinC && t < Candidate.Species.GrowthMaxC);

    /// <summary>Months whose mean water comes within a degree of what kills.</summary>
    public int DeadlyMonths =>
        Months.Count(t => t <= Candidate.Species.LethalLowC + 1 || t >= Candidate.Species.LethalHighC - 1);

    /// <summary>Months from stocking to the weight wanted; null when it is not reached.</summary>
    public double? MonthsToMarket => Plan.Season.ReachedOn is null ? null : Plan.Season.Length / (DaysOfYear / 12);

    /// <summary>Harvest in a year when one cycle follows another, kg.</summary>
    public double KgYear => Plan.Season.ReachedOn is null ? 0 : Plan.HarvestKg * CyclesYear;

    /// <summary>Margin of a year: worst pairing (low price, survival 15 points lower, a tenth more feed) and best (high price, as planned), less salt, processing and promotion.</summary>
    public (double Worst, double Best) MarginYear
    {
        get
        {
            var worst = Question(Candidate, Site, Candidate.PriceLow);
            var low = StockingAnswer
                .Of(
                    worst with
                    {
                        Own = Plan.Stock,
                        SurvivalPct = Math.Max(1, worst.SurvivalPct - WorseSurvival),
                        Prices = worst.Prices with { FeedKg = WorseFeed * worst.Prices.FeedKg },
                    }
                )
                .Margin;
            var high = StockingAnswer
                .Of(Question(Candidate, Site, Candidate.PriceHigh) with { Own = Plan.Stock })
                .Margin;
            var more = FishMarket.CostYear(Candidate, Site, KgYear * Candidate.Form.Yield(Crustacean));
            return Plan.Season.ReachedOn is null
                ? (Math.Min(low, -Plan.Cost) * CyclesYear - more, (-Plan.Cost * CyclesYear) - more)
                : ((low * CyclesYear) - more, (high * CyclesYear) - more);
        }
    }

    /// <summary>Price of a kilogram under which it is not worth farming here; null without a harvest.</summary>
    public double? ThresholdPrice => Plan.Season.ReachedOn is null ? null : Plan.BreakEven;

    /// <summary>Such waters for the fish wanted in a year; null when none are grown.</summary>
    public double? Waters => KgYear > 0 ? Site.WantedKgYear / KgYear : null;

    /// <summary>Hours of handwork in a year for the fish wanted.</summary>
    public double HoursYear =>
        Site.WantedKgYear
        / 1000
        * (Crustacean ? CrustaceanHoursTonne : FishHoursTonne)
        * (Site.Water.System.ByVolume() ? TankHours : 1);

    /// <summary>Fish a year from which a family, or a business, is left with what it needs, kg; null when a kilogram leaves nothing, or nobody said its price or the need.</summary>
    public (double? FamilyKg, double? BusinessKg) WorthWhileKg
    {
        get
        {
            var each = KgYear > 0 ? (MarginYear.Worst + MarginYear.Best) / 2 / KgYear : 0;
            double? Of(double needs) => each > 0 && needs > 0 && Candidate.IsPriceSaid ? needs / each : null;
            return (Of(Site.FamilyNeeds), Of(Site.BusinessNeeds));
        }
    }

    /// <summary>Salt for one filling, kg: water fresh enough for a pond is too fresh for these.</summary>
    public double SaltKg =>
        SpeciesTable.Text(Candidate.Species, "water") is "brackish" or "brackish-salt"
            ? Math.Max(0, Candidate.Species.SalinityLowPpt - Site.Water.SalinityPpt) * Site.Water.VolumeM3
            : 0;

    /// <summary>Whether it is a crustacean.</summary>
    public bool Crustacean => SpeciesTable.Text(Candidate.Species, "group") == "crustacean";

    private double CyclesYear => DaysOfYear / (Plan.Season.Length + IdleDays);

    private IEnumerable<double> Months =>
        Enumerable
            .Range(1, 12)
            .Select(m => Enumerable.Range(1, 28).Average(d => Site.TempC(new DateOnly(Site.StockOn.Year, m, d))));

    /// <summary>Cost of that salt, for one filling.</summary>
    public double SaltCost => SaltKg * Site.SaltKg;

    /// <summary>The fish in its market.</summary>
    public FishMarket Market => FishMarket.Of(this);

    /// <summary>A year of batches, one stocked each month.</summary>
    public StaggeredBatches Batches => StaggeredBatches.Of(Plan.Question);

    /// <summary>Young lost to their own kind; null where none eats another.</summary>
    public CannibalLoss? Cannibals => CannibalLoss.Of(Candidate.Species);

    /// <summary>A pilot before full size; null when the water lets none live.</summary>
    public FirstTrial? Trial => FirstTrial.Of(this);

    /// <summary>What speaks for it.</summary>
    public IReadOnlyList<string> For
    {
        get
        {
            List<string> words = [];
            if (GoodMonths >= 6)
                words.Add($"{GoodMonths} months of good water");
            if (Candidate.IsPriceSaid && MarginYear.Worst > 0)
                words.Add("leaves money even in the worst pairing");
            if (Candidate.Species.SurvivalFryPct > HardSurvivalPct && Cannibals is null)
                words.Add("easy as fry: none eats another");
            if (SpeciesTable.Figure(Candidate.Species, "air_breather") > 0)
                words.Add("breathes air: bears a bad night");
            if (new[] { Candidate.Seed, Candidate.Feed, Candidate.Buyers, Candidate.Permit }.All(h => h == Had.Yes))
                words.Add("fingerlings, feed, buyers and permit are there");
            return words;
        }
    }

    /// <summary>What speaks against it, the worst first.</summary>
    public IReadOnlyList<Judgement> Against =>
        [.. Gates().Concat(Hazards()).Concat(Markets()).OrderByDescending(j => j.Status)];

    private IEnumerable<Judgement> Gates()
    {
        foreach (var (had, no, ask) in Requirements())
        {
            if (had == Had.No)
                yield return new(Status.ActNow, no);
            else if (had == Had.Unknown)
                yield return new(Status.Watch, ask);
        }
        if (DeadlyMonths > 0)
            yield return new(
                Status.ActNow,
                $"{DeadlyMonths} {(DeadlyMonths == 1 ? "month comes" : "months come")} within a degree of what kills it: heated or cooled water, or another fish"
            );
        if (Plan.Season.ReachedOn is null)
            yield return new(Status.ActNow, "market size is not reached in this water");
        if (Plan.AtHarvest == 0)
            yield return new(Status.ActNow, $"none may stand: {Plan.Binding.Name} lets none live");
    }

    private (Had, string, string)[] Requirements() =>
        new[]
        {
            (
                Candidate.Seed,
                "no fingerlings are to be had here",
                "ask first whether fingerlings can be bought here, in season and legally"
            ),
            (
                Candidate.Permit,
                "it may not be kept here",
                "ask for the permit before anything else; an import permit can be withdrawn"
            ),
            (Candidate.Feed, "no suitable feed within reach", "ask for a suitable feed within a sensible drive"),
            (
                Candidate.Buyers,
                "nobody local buys it",
                "ask who buys it, live, chilled or as fillet, against which imported price, before the water is built"
            ),
        };

    private IEnumerable<Judgement> Hazards()
    {
        if (Cannibals is { } cannibals)
            yield return new(Status.Watch, cannibals.Words(Site.Hand));
        if (SpeciesTable.Figure(Candidate.Species, "predator") > 0)
            yield return new(Status.Watch, "a predator: no smaller fish beside it");
        if (Candidate.Species.SurvivalFryPct is > 0 and <= HardSurvivalPct)
            yield return Delicate();
        if (Crustacean)
            yield return new(
                Status.Watch,
                "much handwork: they hide, moult and fight; dead ones and shells are taken out by hand"
            );
        if (SaltKg > 0)
            yield return Brine();
        if (Candidate.Species.LegalCaution.Length > 0)
            yield return new(Status.Watch, Candidate.Species.LegalCaution);
        if (Candidate.Species.Confidence == "low")
            yield return new(
                Status.Watch,
                "few trials stand behind these figures: take them as a guess, and learn with a few fish first"
            );
    }

    // Salt water kills grass, trees and creeks: without a way out the plan stops before it starts.
    private Judgement Brine() =>
        new(
            Site.BrineOut == Had.No ? Status.ActNow : Status.Watch,
            $"wants salt: {Kg(SaltKg)} for each filling, {(Site.SaltKg > 0 ? $"{Site.Hand.Count(SaltCost)} at the price typed" : "its price is not said")}, gear that bears it; "
                + (
                    Site.BrineOut switch
                    {
                        Had.Yes => "drained water has a permitted way out",
                        Had.No => "drained salt water may go nowhere here: not this fish inland",
                        _ => "ask where drained salt water may go",
                    }
                )
        );

    private string Kg(double kg) =>
        QuantityText.Write(kg, Measures.Mass with { Decimals = 0, UsDecimals = 0 }, Site.Hand);

    private string Price(double perKg) => QuantityText.Write(perKg, Measures.MassPrice, Site.Hand);

    private Judgement Delicate() =>
        new(
            Status.Watch,
            FormattableString.Invariant(
                $"delicate when young: survival from fry to fingerling about {Candidate.Species.SurvivalFryPct:0} %. Buy larger ones, or ask what that is worth in the price"
            )
        );

    private IEnumerable<Judgement> Markets()
    {
        foreach (var judged in Candidate.IsPriceSaid ? Margins() : [Unpriced])
            yield return judged;
        if (Market is { Imported: { } imported, BreakEven: { } least } && imported < least)
            yield return new(
                Status.ActNow,
                $"imported {Candidate.Form.Word()} costs {Price(imported)}, less than the break-even price of {Price(least)}: sell another form, or another fish"
            );
        if (Candidate.Known == Had.No)
            yield return new(
                Status.Watch,
                $"new to buyers here, in the costs above: {string.Join("; ", FishMarket.TasksOfANewFish)}"
            );
        if (Site.AllYear && Batches.Judgement is { Status: > Status.Steady } gaps)
            yield return gaps;
    }

    private static readonly Judgement Unpriced = new(
        Status.Watch,
        "its farm-gate price is not said: what it leaves is not judged. Ask two buyers"
    );

    private IEnumerable<Judgement> Margins()
    {
        var (worst, best) = MarginYear;
        if (best <= 0)
            yield return new(Status.ActNow, "leaves nothing even in the best pairing");
        else if (worst <= 0)
            yield return new(Status.Watch, "loses money in the worst pairing");
        if (
            Site.Water.System is RearingSystem.Tank or RearingSystem.Recirculating
            && ThresholdPrice > Candidate.PriceHigh
        )
            yield return new(
                Status.ActNow,
                "a cheap fish grown to full size indoors: its price does not cover it. Fry indoors, then a pond, may"
            );
        if (WorthWhileKg.FamilyKg is { } family && Site.WantedKgYear < family)
            yield return new(
                Status.Watch,
                $"under the {Kg(family)} a year from which a family lives: a trial, to be costed as learning"
            );
    }

    private static StockingQuestion Question(SpeciesCandidate c, SpeciesSite s, double price)
    {
        var from = Math.Max(0.01, c.Species.FingerlingHighG);
        return new(
            c.Species,
            s.Water,
            from,
            Math.Max(from * 2, c.Species.MarketLowG * OverMarketLow),
            c.Species.SurvivalGrowOutPct,
            1,
            s.StockOn,
            s.TempC,
            null,
            null,
            new(c.Fingerling, s.FeedKg, price, s.KWh, s.OtherCycle),
            s.Hand
        );
    }
}
