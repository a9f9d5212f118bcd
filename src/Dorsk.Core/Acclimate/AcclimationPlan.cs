using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;

namespace Dorsk.Core.Acclimate;

/// <summary>How fish are brought from the bag into the pond.</summary>
public enum AccSchool
{
    /// <summary>Float the bags closed until the temperatures agree, then let them swim out.</summary>
    FloatAndRelease,

    /// <summary>Bring salinity over by the hour in a tank with air.</summary>
    SalinitySteps,

    /// <summary>Mix pond water in slowly, by temperature and pH.</summary>
    TemperSlowly,
}

/// <summary>One step of an acclimation.</summary>
/// <param name="Key">Its key.</param>
/// <param name="What">What to do.</param>
/// <param name="Minutes">How long, minutes; 0: as long as it takes.</param>
/// <param name="Why">Why.</param>
/// <param name="Presence">Who must be there; empty when one is enough.</param>
public sealed record AccStep(string Key, string What, double Minutes, string Why, string Presence = "");

/// <summary>What an acclimation is worked out from.</summary>
/// <param name="Species">The fish.</param>
/// <param name="MeanG">Weight, g.</param>
/// <param name="Bag">The bag on arrival.</param>
/// <param name="Places">The pond, at three places or more.</param>
/// <param name="HoursInBag">Hours since they were packed.</param>
/// <param name="Chosen">The school the farmer chose, or null: the one that is recommended.</param>
/// <param name="Hand">How figures are printed.</param>
public sealed record AccQuestion(
    FishSpecies Species,
    double MeanG,
    AccWater Bag,
    IReadOnlyList<AccWater> Places,
    double HoursInBag,
    AccSchool? Chosen,
    Hand Hand
)
{
    /// <summary>The pond, all places together.</summary>
    public AccWater Pond => AccWater.Mean(Places);

    /// <summary>What the verdict on the pond's water says against these fish, at the worst of the places.</summary>
    public IReadOnlyList<Finding> Against { get; init; } = [];

    /// <summary>Wind, m/s, or null where it was not read.</summary>
    public double? WindMs { get; init; }

    /// <summary>Limits of these fish.</summary>
    public WaterLimits Limits => WaterLimits.For(Species, WaterLimits.StageOf(Species, MeanG));

    /// <summary>The farm's own rates, where they were chosen; null: the trade's.</summary>
    public OwnRates? Own { get; init; }

    /// <summary>How much temperature may change in an hour for these fish, °C.</summary>
    public double StepC => Own?.TempCPerH ?? Limits.MaxTempChangeCPerH;

    /// <summary>How much pH may change in an hour for these fish.</summary>
    public double StepPh => Own?.PhPerH ?? (Fry ? FryPhPerHour : PhPerHour);

    /// <summary>How much temperature lies between bag and pond, °C.</summary>
    public double ApartC => Math.Abs(Bag.TempC - Pond.TempC);

    /// <summary>How fast salinity may change for these fish.</summary>
    public SalinityRate Salinity => SalinityRate.For(Species, MeanG, Own?.SalinityPptPerH);

    // Starting values of the trade.
    private const double PhPerHour = 1,
        FryPhPerHour = 0.5;

    /// <summary>Whether they are fry.</summary>
    public bool Fry => WaterLimits.StageOf(Species, MeanG) == LifeStage.Fry;
}

/// <summary>An acclimation: school, reasons, steps, and what mixing slowly would do.</summary>
/// <param name="Question">What it was worked out from.</param>
/// <param name="Recommended">The school for these figures.</param>
/// <param name="Reasons">Why, in sentences.</param>
/// <param name="Steps">Steps of the school that is used.</param>
/// <param name="Curve">Un-ionised ammonia in the open bag when pond water is poured in over an hour in ten parts; empty when ammonia was not measured.</param>
/// <param name="Stops">What stands against letting them out at all now.</param>
public sealed record AcclimationPlan(
    AccQuestion Question,
    AccSchool Recommended,
    IReadOnlyList<string> Reasons,
    IReadOnlyList<AccStep> Steps,
    IReadOnlyList<MixStep> Curve,
    IReadOnlyList<Judgement> Stops
)
{
    /// <summary>Un-ionised ammonia that fry of this fish bear for days, mg N/L: the level that slow mixing is held against, whatever their size.</summary>
    public double FryLevelMgL => WaterLimits.For(Question.Species, LifeStage.Fry).Nh3ConstantMgL;

    /// <summary>Minutes of slow mixing over the fry level.</summary>
    public double MinutesOver => MixCurve.MinutesOver(Curve, FryLevelMgL);

    /// <summary>The same bag floated closed.</summary>
    public IReadOnlyList<MixStep> Floated => MixCurve.Closed(Question.Bag, Question.Pond, MixMinutes);

    /// <summary>Minutes between two measurements of the bringing-over.</summary>
    public const double CheckMinutes = 15;

    /// <summary>What should be measured at each quarter hour of the bringing-over.</summary>
    public IReadOnlyList<(double Minutes, (double TempC, double Ph, double SalinityPpt) Planned)> Checks =>
        [
            .. Enumerable
                .Range(0, (int)Math.Ceiling(Over(School, Question) / CheckMinutes) + 1)
                .Select(i => Math.Min(i * CheckMinutes, Over(School, Question)))
                .Distinct()
                .Select(m => (m, At(m))),
        ];

    /// <summary>Temperature in a bag that was floated some minutes, °C.</summary>
    /// <param name="bagC">Water in the bag, °C.</param>
    /// <param name="pondC">Water of the pond, °C.</param>
    /// <param name="minutes">Minutes since it was laid in; 0 or more.</param>
    public static double FloatedC(double bagC, double pondC, double minutes) =>
        pondC + ((bagC - pondC) * Math.Pow(0.5, minutes / FloatHalfMinutes));

    /// <summary>Minutes over which slow mixing is drawn.</summary>
    public const int MixMinutes = 60;

    // Starting values of the trade. What an hour may change of temperature comes from the limits of the stage; a bag in water nears it by half in ten minutes.
    private const double HeldPh = 7.5,
        MuchTanMgL = 2,
        BagsLastMinutes = 60,
        PhDirect = 1,
        FloatHalfMinutes = 10,
        LeastFloat = 15,
        MostFloat = 30,
        WatchMinutes = 15,
        HighPondPh = 7.8;

    /// <summary>The school that is used.</summary>
    public AccSchool School => Question.Chosen ?? Recommended;

    /// <summary>Minutes of all steps together.</summary>
    public double Minutes => Steps.Sum(s => s.Minutes);

    /// <summary>Works it out.</summary>
    public static AcclimationPlan For(AccQuestion q)
    {
        var curve = MixCurve.Run(q.Bag, q.Pond, MixMinutes);
        var (school, reasons) = Recommend(q, curve);
        if (q.Own is { } own)
            reasons.Insert(0, ByOwn(q, own, q.Chosen ?? school));
        return new(q, school, reasons, Of(q.Chosen ?? school, q), curve, Against(q));
    }

    /// <summary>What a value should be after some minutes of the school's bringing-over; null when it has no such line.</summary>
    /// <param name="minutes">Since the bringing-over began.</param>
    public (double TempC, double Ph, double SalinityPpt) At(double minutes)
    {
        var (b, p) = (Question.Bag, Question.Pond);
        var done = Over(School, Question) is > 0 and var all ? Math.Clamp(minutes / all, 0, 1) : 1;
        double Line(double from, double to) => from + (done * (to - from));
        return School switch
        {
            AccSchool.SalinitySteps => (
                Line(b.TempC, p.TempC),
                b.TanMgL >= MuchTanMgL ? Math.Min(HeldPh, Line(b.Ph, p.Ph)) : Line(b.Ph, p.Ph),
                Question.Salinity.After(b.SalinityPpt, p.SalinityPpt, minutes / 60)
            ),
            AccSchool.TemperSlowly => (Line(b.TempC, p.TempC), Line(b.Ph, p.Ph), Line(b.SalinityPpt, p.SalinityPpt)),
            // Floating closed changes nothing but the temperature.
            _ when Question.ApartC > Question.StepC => (Line(b.TempC, p.TempC), b.Ph, b.SalinityPpt),
            _ => (FloatedC(b.TempC, p.TempC, minutes), b.Ph, b.SalinityPpt),
        };
    }

    /// <summary>Whether a measured value runs ahead of its plan, behind it, or with it: in the step between start and goal.</summary>
    /// <param name="measured">Measured.</param>
    /// <param name="planned">Planned for the minute.</param>
    /// <param name="from">In the bag.</param>
    /// <param name="to">In the pond.</param>
    /// <param name="slack">What is no difference.</param>
    public static Pace PaceOf(double measured, double planned, double from, double to, double slack)
    {
        if (Math.Abs(to - from) <= slack || Math.Abs(measured - planned) <= slack)
            return Pace.OnPlan;
        return (measured - planned) * Math.Sign(to - from) > 0 ? Pace.TooFast : Pace.TooSlow;
    }

    private static (AccSchool, List<string>) Recommend(AccQuestion q, IReadOnlyList<MixStep> curve)
    {
        var (b, p) = (q.Bag, q.Pond);
        string T(double c) => QuantityText.Write(Math.Abs(c), Measures.TemperatureStep, q.Hand);
        var limit = WaterLimits.For(q.Species, LifeStage.Fry);
        var top = curve.Count > 0 ? curve.MaxBy(c => c.Nh3MgL) : default;
        var poisons = curve.Count > 0 && top.Nh3MgL > limit.Nh3ConstantMgL && top.Nh3MgL > 1.5 * (b.Nh3MgL ?? 0);
        var salt = Math.Abs(b.SalinityPpt - p.SalinityPpt);
        var direct = q.Salinity.DirectPpt(b.SalinityPpt, p.SalinityPpt);
        if (salt > direct)
            return (
                AccSchool.SalinitySteps,
                [
                    $"Salinity differs by {q.Hand.Short(salt, 1)} ppt, more than {q.Hand.Short(direct, 1)} that these fish bear at once: {q.Hand.Short(Over(AccSchool.SalinitySteps, q) / 60, 1)} hours in a tank with air.",
                    .. q.Salinity.Gates(b.SalinityPpt, p.SalinityPpt).Select(gate => $"Mind: {gate}."),
                    .. poisons
                        ? ["Hold pH at 7.5 or under meanwhile: ammonia from the transport is in the water."]
                        : Array.Empty<string>(),
                ]
            );
        List<string> reasons = [];
        if (poisons)
            reasons.Add(
                $"Poured in slowly, pond water would lift un-ionised ammonia in the bag from {q.Hand.Figure(b.Nh3MgL ?? 0, 3)} to {q.Hand.Figure(top.Nh3MgL, 3)} mg N/L after {q.Hand.Count(top.Minutes)} minutes, and keep it over the {q.Hand.Short(limit.Nh3ConstantMgL, 3)} that fry bear for {q.Hand.Count(MixCurve.MinutesOver(curve, limit.Nh3ConstantMgL))} minutes: keep the bags closed until the temperatures agree, then let them out at once."
            );
        else if (b.TanMgL is null)
            reasons.Add(
                p.Ph >= HighPondPh
                    ? "Ammonia in the bag was not measured, and the pond's pH is high: taken as if there were much. Keep the bags closed until the temperatures agree, then let them out at once."
                    : "Ammonia in the bag was not measured: it is always there after a road."
            );
        var temper =
            q.Fry && !poisons && b.TanMgL is not null && (q.ApartC > q.StepC || Math.Abs(b.Ph - p.Ph) > PhDirect);
        if (temper)
            return (
                AccSchool.TemperSlowly,
                [
                    .. reasons,
                    $"Fry bear little: {T(b.TempC - p.TempC)} and {Math.Abs(b.Ph - p.Ph):0.#} of pH are brought over slowly, and ammonia stays harmless on the way.",
                ]
            );
        reasons.Add(
            q.ApartC <= q.StepC
                ? $"Temperatures differ by {T(q.ApartC)}, salinity little: floated closed they agree soon."
                : (
                    $"Temperatures differ by {T(q.ApartC)}, and these fish bear {T(q.StepC)} an hour: floated in the pond they would pass it in half an hour. The closed bags stand in a tub in the shade that is brought over in {q.Hand.Figure(Over(AccSchool.FloatAndRelease, q) / 60, 1)} hours."
                )
        );
        return (AccSchool.FloatAndRelease, reasons);
    }

    // The farm's rates and the trade's side by side, so that nobody takes one for the other.
    private static string ByOwn(AccQuestion q, OwnRates own, AccSchool school)
    {
        string Time(AccQuestion by) => $"{q.Hand.Figure(Over(school, by) / 60, 1)} hours";
        return $"By your own rates ({own.Note.Trim()}): {Time(q)}; by the trade's: {Time(q with { Own = null })}.";
    }

    // Rates of the farm's own that go faster than the trade's, each with both figures.
    private static IEnumerable<Judgement> Fast(AccQuestion q)
    {
        if (q.Own is not { } own)
            yield break;
        var trade = q with { Own = null };
        var (from, to) = (q.Bag.SalinityPpt, q.Pond.SalinityPpt);
        string T(double c) => QuantityText.Write(c, Measures.TemperatureStep, q.Hand);
        string S(double ppt) => QuantityText.Write(ppt, Measures.Salinity, q.Hand);
        List<string> said = [];
        if (own.TempCPerH > trade.StepC)
            said.Add($"{T(own.TempCPerH.Value)} an hour against {T(trade.StepC)}");
        if (own.PhPerH > trade.StepPh)
            said.Add($"pH {q.Hand.Figure(own.PhPerH.Value, 2)} an hour against {q.Hand.Figure(trade.StepPh, 2)}");
        if (own.SalinityPptPerH is { } salt && q.Salinity.Hours(from, to) < trade.Salinity.Hours(from, to))
            said.Add($"{S(salt)} an hour against {S(Math.Abs(to - from) / trade.Salinity.Hours(from, to))} on average");
        if (said.Count > 0)
            yield return new(
                Status.Watch,
                $"Your own rates are faster than the trade's for these fish: {string.Join("; ", said)}. Try them on a few fish first"
            );
    }

    private static List<Judgement> Against(AccQuestion q)
    {
        var found = new List<Judgement>();
        var (b, p) = (q.Bag, q.Pond);
        string O(double v) => QuantityText.Write(v, Measures.Oxygen, q.Hand);
        if (p.DoMgL is null)
            found.Add(new(Status.Watch, "Oxygen of the pond was not read: read it before any fish go in"));
        // Water that is only watched with fish in it keeps new ones out.
        found.AddRange(q.Against.Select(f => new Judgement(Status.ActNow, $"Not into this water: {Then(f)}")));
        if (q.Places.Count < 3)
            found.Add(
                new(
                    Status.Watch,
                    "The pond was read at fewer than three places: the shallow, the deep and the sheltered side differ"
                )
            );
        else if (Apart(q) is { } apart)
            found.Add(apart);
        if (q.WindMs >= WavesMs)
            found.Add(
                new(
                    Status.Watch,
                    $"Wind {QuantityText.Write(q.WindMs.Value, Measures.Wind, q.Hand)}: let them out on the bank the wind comes from, where no waves break"
                )
            );
        var over = q.Chosen is AccSchool.FloatAndRelease or null ? Over(AccSchool.FloatAndRelease, q) : 0;
        if (over > BagsLastMinutes)
            found.Add(
                new(
                    Status.Watch,
                    $"Bringing the temperature over takes {q.Hand.Figure(over / 60, 1)} hours: fill the bags with oxygen again, or move the fish into a tank with air, at the temperature of the bag"
                )
            );
        if (b.DoMgL is < 3)
            found.Add(
                new(Status.ActNow, $"Oxygen in the bag is {O(b.DoMgL.Value)}: give oxygen into the bag, or do not wait")
            );
        found.AddRange(Fast(q));
        if (q.HoursInBag > 24)
            found.Add(new(Status.Watch, "More than a day in the bag: they are weak; count the dead before they mix"));
        return found;
    }

    // Each value of the places against its spread, with the place that is most like the bag.
    private static Judgement? Apart(AccQuestion q)
    {
        List<string> said = [];
        void Spread(Func<AccWater, double?> of, double most, Measure measure, string what)
        {
            var read = q.Places.Select(of).OfType<double>().ToList();
            if (read.Count > 1 && read.Max() - read.Min() > most)
                said.Add(
                    $"{what} {q.Hand.Figure(measure.In(q.Hand).FromSi(read.Min()), 1)} to {QuantityText.Write(read.Max(), measure, q.Hand)}"
                );
        }
        Spread(x => x.TempC, 1.5, Measures.Temperature, "temperature");
        Spread(x => x.Ph, 0.5, Measures.Ph, "pH");
        Spread(x => x.DoMgL, 1.5, Measures.Oxygen, "oxygen");
        if (said.Count == 0)
            return null;
        var like = q
            .Places.Select((x, i) => (Place: i + 1, Away: Math.Abs(x.TempC - q.Bag.TempC) + Math.Abs(x.Ph - q.Bag.Ph)))
            .MinBy(x => x.Away);
        return new(
            Status.Watch,
            $"The places differ, {string.Join(", ", said)}: let them out at place {like.Place}, the one most like the bag, if its oxygen is well"
        );
    }

    // Waves break on a bank from about this wind on.
    private const double WavesMs = 5;

    // The reason, and what to do where the rule says so.
    private static string Then(Finding f) => f.Do.Length > 0 ? $"{f.Reason}. {f.Do.TrimEnd('.')}" : f.Reason;

    // Minutes of the bringing-over itself.
    private static double Over(AccSchool school, AccQuestion q)
    {
        var (b, p) = (q.Bag, q.Pond);
        return school switch
        {
            // The slower of the two: salt water that is brought over changes its temperature too.
            AccSchool.SalinitySteps => 60
                * Math.Max(q.Salinity.Hours(b.SalinityPpt, p.SalinityPpt), q.ApartC / q.StepC),
            AccSchool.TemperSlowly => Math.Max(60 * q.ApartC / q.StepC, Math.Abs(b.Ph - p.Ph) / q.StepPh * 60),
            _ when q.ApartC > q.StepC => 60 * q.ApartC / q.StepC,
            _ => Math.Clamp(FloatHalfMinutes * Math.Log2(Math.Max(1, q.ApartC)), LeastFloat, MostFloat),
        };
    }

    private static List<AccStep> Of(AccSchool school, AccQuestion q)
    {
        var salt = school == AccSchool.SalinitySteps;
        var bring = BringOver(school, Math.Ceiling(Over(school, q)), q.ApartC > q.StepC);
        return
        [
            salt
                ? new(
                    "tank",
                    "Tank half full at the salinity of the bag, air and oxygen on",
                    0,
                    "before a bag is opened"
                )
                : new("place", "Bags to the sheltered side, into shade", 0, "away from waves, mud and sun"),
            bring,
            new(
                "read",
                "Read oxygen and pH once more, with a meter",
                0,
                "a dawn release meets the lowest oxygen: at the watch level or above, and rising"
            ),
            LetOut(salt),
            new(
                "watch",
                "Stand still and watch that they scatter",
                WatchMinutes,
                "fish that hang at the edge or turn on their side tell of water that is not right"
            ),
        ];
    }

    private static AccStep LetOut(bool salt) =>
        new(
            "out",
            salt
                ? "Let them out through a wet hose or by the bucket"
                : "Open, roll the rim down, lay it over, let them swim out",
            10,
            "no shaking, no pouring from a height; nobody walks among them",
            "the manager, and one to count the dead"
        );

    private static AccStep BringOver(AccSchool school, double over, bool farApart) =>
        school switch
        {
            AccSchool.SalinitySteps => new(
                "over",
                "Bring salinity over, step by step",
                over,
                "measure every quarter hour; oxygen over 6, pH 7.5 or under while ammonia is high; feed postlarvae every two hours",
                "somebody stays all the time"
            ),
            AccSchool.TemperSlowly => new(
                "over",
                "Pour pond water in, a cupful at a time",
                over,
                "by the slower of temperature and pH; measure every quarter hour",
                "somebody stays all the time"
            ),
            _ when farApart => new(
                "over",
                "Closed bags in a tub in the shade; bring the tub over to the pond's temperature",
                over,
                "a tub of water as warm as the bag; pond water into the tub, never into the bag, a little at a time; two thermometers",
                "somebody stays all the time"
            ),
            _ => new(
                "over",
                "Float the bags closed, in shade",
                over,
                "two thermometers tell when it is over: one in the bag, one in the pond; the minutes are the fall-back"
            ),
        };
}

/// <summary>How a measured value runs against its plan.</summary>
public enum Pace
{
    /// <summary>Slower than planned.</summary>
    TooSlow,

    /// <summary>With the plan.</summary>
    OnPlan,

    /// <summary>Faster than planned.</summary>
    TooFast,
}
