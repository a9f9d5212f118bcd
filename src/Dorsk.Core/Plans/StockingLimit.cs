using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Plans;

/// <summary>How many fish at harvest one way of reckoning lets stand.</summary>
/// <param name="Name">The way.</param>
/// <param name="AtHarvest">Fish at harvest, 0 or more, not rounded.</param>
/// <param name="BindsOn">The day that decides, or null when no day does.</param>
/// <param name="Why">Grounds.</param>
public sealed record StockingLimit(string Name, double AtHarvest, DateOnly? BindsOn, Grounds Why);

/// <summary>The three ways side by side: numbers of a school, what the water carries, what feed and oxygen let live. The smallest binds.</summary>
public static class StockingLimits
{
    /// <summary>Names of the ways, as they stand on the page.</summary>
    public const string BySchool = "stocking density",
        ByCapacity = "carrying capacity",
        ByFeed = "greatest daily feed",
        ByNight = "dawn oxygen",
        ByAir = "oxygen by air and flow",
        ByTemperature = "water temperature";

    // Judged, so that an ordinary pond without air carries about what the trade's tables say: dusk somewhat above saturation, a light wind, hours until the sun gives more than is taken, a bloom of 30 cm.
    private const double DuskFullness = 1.15,
        NightWindMs = 1.5,
        DarkHours = 12.5,
        BloomCm = 30;

    /// <summary>All ways that speak for this water.</summary>
    public static IReadOnlyList<StockingLimit> For(StockingQuestion q, PlanSeason season)
    {
        var limits = new List<StockingLimit>();
        if (season.Killed is { } killed)
            limits.Add(NoneLive(q, killed.On, killed.TempC));
        var school = School(q);
        if (school is not null)
            limits.Add(School(q, school));
        limits.Add(Capacity(q));
        if (!q.Water.System.ByVolume())
        {
            limits.Add(Feed(q, season));
            limits.Add(Night(q, season, q.Water.ShaftKW));
        }
        else if (q.Water.System != RearingSystem.Cage || q.Water.FlowM3H > 0)
            limits.Add(Running(q, season));
        return limits;
    }

    /// <summary>The way that lets the fewest stand.</summary>
    public static StockingLimit Binding(IReadOnlyList<StockingLimit> limits) => limits.MinBy(l => l.AtHarvest)!;

    // Water that kills lets none stand, however much room there is.
    private static StockingLimit NoneLive(StockingQuestion q, DateOnly on, double tempC) =>
        new(
            ByTemperature,
            0,
            on,
            Grounds.Of(
                "The expected water of each day against the temperatures that kill the species.",
                q.Species.Source,
                new Input("expected water", tempC, Measures.Temperature, "by month, or as typed"),
                new Input("kills under", q.Species.LethalLowC, Measures.Temperature, "species table"),
                new Input("kills over", q.Species.LethalHighC, Measures.Temperature, "species table")
            )
        );

    // The one that was chosen, else the one that fits the air.
    private static DensitySchool? School(StockingQuestion q) =>
        q.School ?? DensitySchool.Fitting(DensitySchool.For(q.Species, q.Water.System), q.Water.ShaftKW > 0);

    private static StockingLimit School(StockingQuestion q, DensitySchool s)
    {
        // The school speaks of its own final weight; for another the same mass of fish stands.
        var stocked = s.StockFor(q).Usual;
        return new(BySchool, stocked * q.Survival, null, Because(q, s));
    }

    private static Grounds Because(StockingQuestion q, DensitySchool s) =>
        Grounds.Of(
            $"The stocking density “{s.Name}”: fish {(q.Water.System.ByVolume() ? "a cubic metre" : "a square metre")}, turned to the target weight through the same mass of fish, less deaths.{(s.Condition.Length > 0 ? $" It asks for: {s.Condition}." : "")}",
            $"{s.Source}; starting value, confidence {s.Confidence}",
            new Input(
                q.Water.System.ByVolume() ? "fish a m³" : "fish a m²",
                s.Number.Usual,
                Measures.Plain with
                {
                    Decimals = 2,
                    UsDecimals = 2,
                },
                $"it gives {q.Hand.Short(s.Number.Low, 2)} to {q.Hand.Short(s.Number.High, 2)}"
            ),
            new Input("at its own final weight", s.FinalG, Measures.FishWeight, "stocking density"),
            new Input("target weight", q.TargetG, Measures.FishWeight, "typed"),
            new Input("survival", q.SurvivalPct, Measures.Share, "typed")
        );

    private static StockingLimit Capacity(StockingQuestion q)
    {
        var (each, words) = q.Water.System switch
        {
            RearingSystem.Cage => (Cage(q.Species), "kept in cages"),
            RearingSystem.Recirculating => (
                DensitySchool
                    .For(q.Species, q.Water.System)
                    .Where(s => s.System == RearingSystem.Recirculating)
                    .Select(s => s.Kg.Usual)
                    .DefaultIfEmpty(q.Species.CapacityTankKgM3)
                    .Min(),
                "kept in cleaned water"
            ),
            _ when q.Water.System.ByVolume() => (q.Species.CapacityTankKgM3, "kept in tanks"),
            _ => (
                q.Water.ShaftKW > 0 ? q.Species.CapacityAeratedKgHa : q.Species.CapacityNoAirKgHa,
                q.Water.ShaftKW > 0 ? "kept in ponds with nightly air" : "kept in ponds without air"
            ),
        };
        var measure = q.Water.System.ByVolume() ? Measures.VolumeLoad : Measures.AreaLoad;
        if (q.OwnCapacityKg is { } own)
            (each, words) = (own, "as the farm itself says they are carried");
        // Where the table leaves it open, the school without air tells what extensive water carries.
        else if (each <= 0 && School(q) is { Kg.Usual: > 0 } usual)
            (each, words) = (usual.Kg.Usual, $"by the stocking density “{usual.Name}”");
        var why = Because(q, each, words, measure);
        if (each <= 0)
            why = why.Doubting($"{q.Species.Name} is not {words}: the table has no figure, so none are let stand.");
        return new(ByCapacity, each * q.Water.Size * 1000 / q.TargetG * q.StockedShare, null, why);
    }

    private static Grounds Because(StockingQuestion q, double each, string words, Measure measure) =>
        Grounds.Of(
            $"Fish {words}: load by {(q.Water.System.ByVolume() ? "volume" : "area")}, by the target weight.",
            q.OwnCapacityKg is null
                ? $"{q.Species.Source}; starting value, confidence {q.Species.Confidence}"
                : "The farm's own figure",
            new Input("carrying capacity", each, measure, q.OwnCapacityKg is null ? "species table" : "typed"),
            new Input(
                q.Water.System.ByVolume() ? "volume" : "area",
                q.Water.System.ByVolume() ? q.Water.VolumeM3 : q.Water.AreaM2,
                q.Water.System.ByVolume() ? Measures.Volume : Measures.Area,
                "this water"
            ),
            new Input(
                "share of the water",
                100 * q.StockedShare,
                Measures.Share,
                q.StockedShare < q.ShareOfWater ? "less what their young take" : "typed"
            )
        );

    private static StockingLimit Feed(StockingQuestion q, PlanSeason season)
    {
        var (cap, by, source) = FeedCap.For(q.Water.KWHa, q.Species);
        var worst = season.Days.MaxBy(d => d.FeedG * d.PerHarvested);
        var each = worst.FeedG * worst.PerHarvested / 1000;
        var why = Grounds.Of(
            $"The greatest feed a day this water takes with its aerators, limited by {by}, over the feed of the hungriest day of the season.",
            $"{source}; starting value",
            new Input("greatest feed", cap, Measures.AreaLoad, "a day"),
            new Input(
                "aerators",
                q.Water.ShaftKW,
                Measures.Power,
                QuantityText.Write(q.Water.KWHa, Measures.PowerByArea, q.Hand)
            ),
            Input.Said(
                "hungriest day, one fish",
                $"{QuantityText.Write(worst.FeedG, Measures.FishWeight, q.Hand)} at {QuantityText.Write(worst.MeanG, Measures.FishWeight, q.Hand)}",
                $"{worst.Day:d MMM yyyy}"
            )
        );
        return new(
            ByFeed,
            each <= 0 ? double.PositiveInfinity : cap * q.Water.AreaM2 / 10_000 * q.StockedShare / each,
            worst.Day,
            each <= 0 ? why.Doubting("These fish are not fed in this season: feed does not limit them.") : why
        );
    }

    /// <summary>Fish at harvest that a pond's nights let live with a shaft power running all night.</summary>
    /// <param name="q">The plan.</param>
    /// <param name="season">Its season.</param>
    /// <param name="shaftKW">Shaft power, kW.</param>
    public static StockingLimit Night(StockingQuestion q, PlanSeason season, double shaftKW)
    {
        var worst = Worst(q, season, (d, act) =>
        {
            var w = Water(q, d.TempC, shaftKW);
            var (rate, towards) = w.PullAt(DateTimeOffset.UnixEpoch);
            var (keep, perLoss) = ConstantDecline.Over(rate, DarkHours);
            var loss = ((keep * DuskFullness * w.SaturationMgL) + ((1 - keep) * towards) - act) / perLoss;
            return loss
                - Respiration.Plankton(BloomCm, d.TempC)
                - (q.Water.System == RearingSystem.Earthen ? Respiration.MudGM2H / w.MeanDepthM : 0);
        });
        var why = Grounds.Of(
            "Each night of the season: oxygen at dusk, less what fish, plankton and mud take until after sunrise, with surface and aerators taken in, must not pass under the act level. The worst night decides.",
            "Boyd, Romaire & Johnston 1978; Boyd & Romaire 1978; Schroeder 1975; Banks & Herrera 1977; Boyd 1998; dusk at 115 % of saturation, Secchi 30 cm and a wind of 1.5 m/s are judged",
            new Input("worst night, water", worst.Day.TempC, Measures.Temperature, $"{worst.Day.Day:d MMM yyyy}"),
            new Input("fish then", worst.Day.MeanG, Measures.FishWeight, "as planned"),
            new Input("act level", worst.Act, Measures.Oxygen, "limits of the stage"),
            new Input("shaft power all night", shaftKW, Measures.Power, "typed"),
            new Input("left for fish, each hour", worst.Room, Measures.Concentration, "worked out")
        );
        if (worst.Room <= 0)
            why = why.Doubting("Plankton and mud alone take more than such a night has: fish live here only with air.");
        return new(ByNight, worst.Fish, worst.Day.Day, why);
    }

    private static StockingLimit Running(StockingQuestion q, PlanSeason season)
    {
        var worst = Worst(q, season, (d, act) =>
        {
            var (rate, towards) = Water(q, d.TempC, q.Water.ShaftKW).PullAt(DateTimeOffset.UnixEpoch);
            var full = OxygenSaturation.MgL(
                d.TempC,
                q.Water.SalinityPpt,
                OxygenSaturation.PressureKPa(q.Water.AltitudeM)
            );
            return (rate * (towards - act)) + (q.Water.FlowM3H / q.Water.VolumeM3 * (full - act));
        });
        var why = Grounds
            .Of(
                "Air, surface and fresh water must bring what the fish take, all day, with oxygen at the act level. The worst day decides. Droppings and ammonia are carried off by the flow or a filter: they may bind sooner.",
                "Boyd, Romaire & Johnston 1978; Boyd 1998; mass balance",
                new Input("worst day, water", worst.Day.TempC, Measures.Temperature, $"{worst.Day.Day:d MMM yyyy}"),
                new Input("fish then", worst.Day.MeanG, Measures.FishWeight, "as planned"),
                new Input("act level", worst.Act, Measures.Oxygen, "limits of the stage"),
                new Input("shaft power", q.Water.ShaftKW, Measures.Power, "typed"),
                new Input("fresh water", q.Water.FlowM3H, Measures.Flow, "typed"),
                new Input("comes in, each hour", worst.Room, Measures.Concentration, "worked out")
            )
            .Limited("When air stops, a full tank has minutes: an alarm and somebody near, always.");
        if (worst.Room <= 0)
            why = why.Doubting("Nothing brings oxygen in above the act level here: fish live only with air or flow.");
        return new(ByAir, worst.Fish, worst.Day.Day, why);
    }

    // The day of the season on which the fewest fish may stand, with the oxygen left for fish on it, mg/L/h.
    private static (double Fish, PlanDay Day, double Room, double Act) Worst(
        StockingQuestion q,
        PlanSeason season,
        Func<PlanDay, double, double> room
    )
    {
        var worst = (Fish: double.PositiveInfinity, Day: season.Days[^1], Room: 0.0, Act: 0.0);
        foreach (var d in season.Days)
        {
            var act = WaterLimits.For(q.Species, WaterLimits.StageOf(q.Species, d.MeanG)).DoActMgL;
            var left = Math.Max(0, room(d, act)) * q.StockedShare;
            var mgHour = Respiration.Fish(d.MeanG, d.TempC, q.Species) * d.MeanG * d.PerHarvested;
            var fish = left * q.Water.VolumeM3 * 1000 / mgHour;
            if (fish < worst.Fish)
                worst = (fish, d, left, act);
        }
        return worst;
    }

    private static NightWater Water(StockingQuestion q, double tempC, double shaftKW) =>
        new(
            q.Water.VolumeM3,
            q.Water.VolumeM3 / q.Water.AreaM2,
            tempC,
            OxygenSaturation.MgL(
                Math.Clamp(tempC, 0, 40),
                q.Water.SalinityPpt,
                OxygenSaturation.PressureKPa(q.Water.AltitudeM)
            ),
            q.Water.System.ByVolume() ? 0 : NightWindMs,
            shaftKW > 0 ? [new Aerator("", q.Water.Aerators, shaftKW, TimeOnly.MinValue, TimeOnly.MaxValue)] : [],
            new Place(0, 0),
            FarmZone.Utc
        );

    private static double Cage(FishSpecies species) =>
        DensitySchool.For(species, RearingSystem.Cage).Select(s => s.Kg.Usual).DefaultIfEmpty(0).Min();
}
