using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Feed and money of one month of a plan.</summary>
/// <param name="Month">Its first day.</param>
/// <param name="FeedKg">Feed, kg.</param>
/// <param name="Out">Money out.</param>
/// <param name="In">Money in.</param>
public sealed record PlanMonth(DateOnly Month, double FeedKg, double Out, double In);

/// <summary>What one change does to the margin.</summary>
/// <param name="What">The change, in words.</param>
/// <param name="Worse">Margin when it turns out worse.</param>
/// <param name="Better">Margin when it turns out better.</param>
public sealed record Swing(string What, double Worse, double Better);

/// <summary>One step of air in a plan: what it takes and what it is worth.</summary>
/// <param name="ShaftKW">Shaft power, kW.</param>
/// <param name="HarvestKg">Harvest that it lets stand, kg.</param>
/// <param name="MoreKg">The same less that without air, kg.</param>
/// <param name="Hours">Hours that the aerators run over the season.</param>
/// <param name="KWh">Bought energy, kWh.</param>
/// <param name="Cost">Price of that energy.</param>
/// <param name="Margin">What is left when all is paid.</param>
public sealed record AirStep(
    double ShaftKW,
    double HarvestKg,
    double MoreKg,
    double Hours,
    double KWh,
    double Cost,
    double Margin
);

/// <summary>A stocking plan worked out.</summary>
/// <param name="Question">What it was worked out from.</param>
/// <param name="Season">The season of one fish.</param>
/// <param name="Limits">All ways of reckoning.</param>
/// <param name="Binding">The one that binds.</param>
/// <param name="AtHarvest">Fish at harvest that the limits let stand, whole; never rounded up.</param>
/// <param name="Stock">Fish to stock: the farmer's own number, or as many as the limits let.</param>
/// <param name="Harvested">Fish at harvest of those.</param>
/// <param name="Window">When they are ready, 80 %.</param>
public sealed record StockingAnswer(
    StockingQuestion Question,
    PlanSeason Season,
    IReadOnlyList<StockingLimit> Limits,
    StockingLimit Binding,
    int AtHarvest,
    int Stock,
    int Harvested,
    TargetDate Window
)
{
    private const double HoursOfAir = 10.5;

    /// <summary>Works a plan out. Counts are rounded down, so that rounding never hides an overstock.</summary>
    public static StockingAnswer Of(StockingQuestion q)
    {
        var season = PlanSeason.Run(q);
        var limits = StockingLimits.For(q, season);
        var binding = StockingLimits.Binding(limits);
        var atHarvest = (int)Math.Min(1e9, Math.Floor(binding.AtHarvest + 1e-9));
        // As many as live to no more than the limit: one in a thousand of a fish more is no fish.
        var most = (int)Math.Min(1e9, Math.Floor((atHarvest / q.Survival) + 1e-9));
        var stock = q.Own ?? most;
        return new(
            q,
            season,
            limits,
            binding,
            atHarvest,
            stock,
            (int)Math.Floor((stock * q.Survival) + 1e-9),
            PlanSeason.Window(q, season)
        );
    }

    /// <summary>Weight at the end of the season, g: the weight wanted, or what is reached.</summary>
    public double EndG => Season.EndG;

    /// <summary>Fish at harvest, kg.</summary>
    public double HarvestKg => Harvested * EndG / 1000;

    /// <summary>Feed of the season, kg.</summary>
    public double FeedKg => Season.Days.Sum(d => FeedOn(d));

    /// <summary>Fish over the limit, or 0.</summary>
    public int Over => Math.Max(0, Harvested - AtHarvest);

    /// <summary>How full the binding limit is, 1 when it is reached.</summary>
    public double Fullness =>
        Binding.AtHarvest > 0 ? Harvested / Binding.AtHarvest
        : Harvested > 0 ? double.PositiveInfinity
        : 0;

    /// <summary>Biomass on a day, kg.</summary>
    public double BiomassKg(PlanDay d) => Harvested * d.PerHarvested * d.MeanG / 1000;

    /// <summary>Feed on a day, kg.</summary>
    public double FeedOn(PlanDay d) => Harvested * d.PerHarvested * d.FeedG / 1000;

    /// <summary>Nights on which aerators are needed: those on which the fish pass what the pond's nights carry without air, or their feed what a pond without air takes; every day in tanks.</summary>
    public int NightsOfAir => nightsOfAir ??= CountNightsOfAir();

    // Worked out once: cost, feed and months all ask for it.
    private int? nightsOfAir;

    private int CountNightsOfAir()
    {
        if (Question.Water.ShaftKW <= 0)
            return 0;
        if (Question.Water.System.ByVolume())
            return Season.Length;
        var bare = StockingLimits.Night(Question, Season, 0);
        var bareKg = bare.AtHarvest >= Harvested ? double.PositiveInfinity : BareKg(bare);
        var bareFeedKg =
            FeedCap.For(0, Question.Species).KgHaDay * Question.Water.AreaM2 / 10_000 * Question.StockedShare;
        return Season.Days.Count(d => BiomassKg(d) > bareKg || FeedOn(d) > bareFeedKg);
    }

    // Biomass that the worst night carries without air: held for all nights, on the safe side.
    private double BareKg(StockingLimit bare) =>
        Season.Days.FirstOrDefault(d => d.Day == bare.BindsOn) is var worst && worst.PerHarvested > 0
            ? bare.AtHarvest * worst.PerHarvested * worst.MeanG / 1000
            : 0;

    /// <summary>Hours that the aerators run over the season.</summary>
    public double HoursOfAirRun => NightsOfAir * (Question.Water.System.ByVolume() ? 24 : HoursOfAir);

    /// <summary>Bought energy for air, kWh.</summary>
    public double EnergyKWh => HoursOfAirRun * Question.Water.ShaftKW / Question.Water.Aerators.MotorEfficiency;

    /// <summary>Cost of the cycle.</summary>
    public double Cost =>
        (Stock * Question.Prices.Fingerling)
        + (FeedKg * Question.Prices.FeedKg)
        + (EnergyKWh * Question.Prices.KWh)
        + Question.Prices.OtherCycle;

    /// <summary>What selling brings.</summary>
    public double Income => HarvestKg * Question.Prices.FishKg;

    /// <summary>Income less cost.</summary>
    public double Margin => Income - Cost;

    /// <summary>Price of a kilogram at which nothing is left, or null without a harvest.</summary>
    public double? BreakEven => HarvestKg > 0 ? Cost / HarvestKg : null;

    /// <summary>Feed and money by month: fingerlings on the first day, feed and power as they go, the sale and everything else on the last.</summary>
    public IReadOnlyList<PlanMonth> Months
    {
        get
        {
            var power = EnergyKWh * Question.Prices.KWh / Season.Days.Count;
            var (first, last) = (Season.Days[0].Day, Season.Days[^1].Day);
            return Season
                .Days.GroupBy(d => new DateOnly(d.Day.Year, d.Day.Month, 1))
                .Select(g =>
                {
                    var feed = g.Sum(FeedOn);
                    var once =
                        (g.Any(d => d.Day == first) ? Stock * Question.Prices.Fingerling : 0)
                        + (g.Any(d => d.Day == last) ? Question.Prices.OtherCycle : 0);
                    return new PlanMonth(
                        g.Key,
                        feed,
                        (feed * Question.Prices.FeedKg) + (power * g.Count()) + once,
                        g.Any(d => d.Day == last) ? Income : 0
                    );
                })
                .ToList();
        }
    }

    /// <summary>Month with the least cash and how much is needed by then, when only this plan is paid: months, sums, and the month of the most feed.</summary>
    public (PlanMonth Lowest, double CashThen, PlanMonth MostFeed) Cash
    {
        get
        {
            var months = Months;
            var (cash, lowest, low) = (0.0, months[0], double.PositiveInfinity);
            foreach (var m in months)
            {
                // Feed is paid before fish are sold.
                if (cash - m.Out < low)
                    (lowest, low) = (m, cash - m.Out);
                cash += m.In - m.Out;
            }
            return (lowest, low, months.MaxBy(m => m.FeedKg)!);
        }
    }

    /// <summary>How hours, energy and margin of a step of air come about.</summary>
    public static Grounds AirWhy { get; } =
        Grounds.Of(
            "Aerators run ten and a half hours on each night on which the fish exceed the carrying capacity without aeration, or their feed what a pond without air takes; all day in tanks. Bought energy is shaft power by the efficiency of the motor. The margin is of the fish that this step lets stand.",
            $"{StockingLimits.ByNight} and {StockingLimits.ByFeed} of this plan, with no aerator; hours are a starting value"
        );

    /// <summary>What each step of air is worth: fish that it lets live more, the hours and energy it takes, and what is left when feed, fingerlings and energy are paid.</summary>
    public IReadOnlyList<AirStep> AirWorth
    {
        get
        {
            var steps = Air.Select(x =>
                    (
                        x.ShaftKW,
                        Plan: Of(
                            Question with
                            {
                                Water = Question.Water with { ShaftKW = x.ShaftKW },
                                Own =
                                    Question.Survival > 0
                                        ? (int)Math.Min(1e7, Math.Floor(x.AtHarvest / Question.Survival))
                                        : 0,
                            }
                        )
                    )
                )
                .ToList();
            return
            [
                .. steps.Select(x => new AirStep(
                    x.ShaftKW,
                    x.Plan.HarvestKg,
                    x.Plan.HarvestKg - steps[0].Plan.HarvestKg,
                    x.Plan.HoursOfAirRun,
                    x.Plan.EnergyKWh,
                    x.Plan.EnergyKWh * Question.Prices.KWh,
                    x.Plan.Margin
                )),
            ];
        }
    }

    /// <summary>What more or less air does to the limit: shaft power with the fish at harvest and the way that binds; half, as it is, and up to four times.</summary>
    public IReadOnlyList<(double ShaftKW, int AtHarvest, string Binds)> Air
    {
        get
        {
            var w = Question.Water;
            var unit =
                w.ShaftKW > 0 ? w.ShaftKW
                : w.System.ByVolume() ? w.VolumeM3 / 100
                : w.AreaM2 / 10_000 * 4;
            return
            [
                .. new[] { 0, 0.5, 1, 1.5, 2, 4 }.Select(k =>
                {
                    var limits = StockingLimits.For(Question with { Water = w with { ShaftKW = k * unit } }, Season);
                    var b = StockingLimits.Binding(limits);
                    return (k * unit, (int)Math.Min(1e9, b.AtHarvest), b.Name);
                }),
            ];
        }
    }

    /// <summary>What the margin does when one thing turns out otherwise, the largest swing first. The same fish are stocked.</summary>
    public IReadOnlyList<Swing> Sensitivity
    {
        get
        {
            var fixedStock = Question with { Own = Stock };
            double With(StockingQuestion q) => Of(q).Margin;
            double Warmer(double c) => With(fixedStock with { TempC = d => Question.TempC(d) + c });
            var p = Question.Prices;
            List<Swing> all =
            [
                new(
                    "survival 10 points lower or higher",
                    With(fixedStock with { SurvivalPct = Math.Max(1, Question.SurvivalPct - 10) }),
                    With(fixedStock with { SurvivalPct = Math.Min(100, Question.SurvivalPct + 10) })
                ),
                new(
                    "fish price a tenth lower or higher",
                    With(fixedStock with { Prices = p with { FishKg = 0.9 * p.FishKg } }),
                    With(fixedStock with { Prices = p with { FishKg = 1.1 * p.FishKg } })
                ),
                new(
                    "feed price or conversion a tenth worse or better",
                    With(fixedStock with { Prices = p with { FeedKg = 1.1 * p.FeedKg } }),
                    With(fixedStock with { Prices = p with { FeedKg = 0.9 * p.FeedKg } })
                ),
                new(
                    $"water {QuantityText.Write(1, Measures.TemperatureStep, Question.Hand)} cooler or warmer all year",
                    Warmer(-1),
                    Warmer(1)
                ),
            ];
            return [.. all.OrderByDescending(s => Math.Abs(s.Better - s.Worse))];
        }
    }

    /// <summary>Margin when survival is 15 points lower and the price 15 % lower: shown first, as savings may hang on it.</summary>
    public double WorstCase =>
        Of(
            Question with
            {
                Own = Stock,
                SurvivalPct = Math.Max(1, Question.SurvivalPct - 15),
                Prices = Question.Prices with { FishKg = 0.85 * Question.Prices.FishKg },
            }
        ).Margin;

    /// <summary>How the trade calls such a plan, with the yield that level usually gives.</summary>
    public PlanClass Class => PlanClass.Of(this);

    /// <summary>The name of its level.</summary>
    public string Intensity => Class.Name;

    private string Kills(DateOnly on, double tempC)
    {
        var (q, species) = (Question, Question.Species);
        string T(double c) => QuantityText.Write(c, Measures.Temperature, q.Hand);
        var lethal = tempC >= species.LethalHighC ? species.LethalHighC : species.LethalLowC;
        return FormattableString.Invariant(
            $"The water is expected at {T(tempC)} about {on:d MMM yyyy}, which kills {species.Name.ToLowerInvariant()} ({T(lethal)}): harvest before, at {QuantityText.Write(EndG, Measures.FishWeight, q.Hand)}, stock after it, cool or heat the water, or take another fish"
        );
    }

    /// <summary>What stands against the plan, the worst first.</summary>
    public IReadOnlyList<Judgement> Warnings
    {
        get
        {
            var found = new List<Judgement>();
            var q = Question;
            if (Over > 0)
                found.Add(
                    new(
                        Status.ActNow,
                        FormattableString.Invariant(
                            $"{Over:N0} fish more at harvest than {Binding.Name} lets stand{(double.IsFinite(Fullness) ? FormattableString.Invariant($" ({100 * (Fullness - 1):0} % over)") : "")}"
                        )
                    )
                );
            else if (q.Own is not null && Fullness > 0.9 && double.IsFinite(Fullness))
                found.Add(
                    new(
                        Status.Watch,
                        FormattableString.Invariant($"nine tenths of {Binding.Name} or more: no room for a bad month")
                    )
                );
            if (AtHarvest == 0 && Season.Killed is null)
                found.Add(
                    new(
                        Status.ActNow,
                        $"None may stand: {Binding.Name} lets none live. {(Binding.Why.Caveats.Count > 0 ? Binding.Why.Caveats[0] : Binding.Why.Method)}"
                    )
                );
            if (Season.Killed is { } killed)
                found.Add(new(Status.ActNow, Kills(killed.On, killed.TempC)));
            else if (Window.Likely is null)
                found.Add(
                    new(
                        Status.ActNow,
                        $"{QuantityText.Write(q.TargetG, Measures.FishWeight, q.Hand)} is not reached in {PlanSeason.Horizon:N0} days here: {QuantityText.Write(EndG, Measures.FishWeight, q.Hand)} is"
                    )
                );
            var hot = Season.Days.Count(d => d.TempC >= q.Species.GrowthMaxC);
            var cold = Season.Days.Count(d => d.TempC <= q.Species.GrowthMinC);
            if (hot > 0)
                found.Add(new(Status.Watch, FormattableString.Invariant($"{hot:N0} days too warm for any growth")));
            if (cold > 60)
                found.Add(new(Status.Watch, FormattableString.Invariant($"{cold:N0} days too cold for any growth")));
            if (PondBreeding.Judge(q) is { Status: >= Status.Watch } breeding)
                found.Add(breeding);
            if (q.Species.LegalCaution.Length > 0)
                found.Add(new(Status.Watch, q.Species.LegalCaution));
            return [.. found.OrderByDescending(f => f.Status)];
        }
    }
}
