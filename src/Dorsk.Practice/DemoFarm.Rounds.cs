using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

public sealed partial class DemoFarm
{
    private const double DoNoise = 0.13,
        TempNoise = 0.15;

    // Dawn, midday and dusk, in walking order; now and then a round is missed.
    private void Look(DateOnly day, int hour, DemoPond pond, List<Told> notes)
    {
        if (ponds[pond.Code].Fish is null)
            return;
        var sunrise = Zone.LocalAt(SunTimes.On(Farm.Place, day, 10).Sunrise!.Value);
        if (hour == sunrise.AddMinutes(-10).Hour)
        {
            lows[pond.Code] = ponds[pond.Code].DoMgL;
            Reading(day, Minutes(TimeOnly.FromDateTime(sunrise), -10 + (3 * pond.Walk)), pond, notes, "dawn", 0.03);
        }
        if (hour == 11)
            Reading(day, Minutes(new(11, 20), 3 * pond.Walk), pond, notes, "midday", 0.25);
        if (hour == 16)
            Reading(day, Minutes(new(16, 50), 3 * pond.Walk), pond, notes, "dusk", 0.03);
    }

    private void Reading(DateOnly day, TimeOnly at, DemoPond pond, List<Told> notes, string round, double missed)
    {
        if (chance.Uniform() < missed && day < DemoScript.LastDay.AddDays(-12))
            return;
        var sim = ponds[pond.Code];
        List<Value> values =
        [
            new(Parameter.Oxygen, Math.Max(0.1, Read(sim.DoMgL, DoNoise, 1)), 0.5, "hand meter"),
            new(Parameter.Temperature, Read(sim.TempC, TempNoise, 1), 0.5, "hand meter"),
        ];
        if (round == "dusk" && (day.DayNumber + pond.Walk) % 2 == 0)
            values.Add(new(Parameter.Ph, Read(sim.Ph, 0.05, 1), null, "pH pen"));
        if (
            round == "midday"
            && pond.Kind != Core.Ponds.PondKind.Tank
            && ((day.DayNumber + pond.Walk) % 3 == 0 || (pond.Code == "P4" && day >= DemoScript.BloomOfP4[0]))
        )
            values.Add(new(Parameter.Secchi, Math.Round(sim.SecchiM, 2), null, "Secchi disc"));
        if (
            round == "dusk"
            && ((day.DayNumber + pond.Walk) % 7 == 0 || (pond.Code == "T3" && day >= DemoScript.FilterTroubleT3))
        )
        {
            values.Add(new(Parameter.Tan, Math.Max(0.05, Read(Tan(pond.Code, day), 0.04, 2)), null, "test kit, as N"));
            if (values.All(v => v.Parameter != Parameter.Ph))
                values.Add(new(Parameter.Ph, Read(sim.Ph, 0.05, 1), null, "pH pen"));
        }
        var text =
            $"{pond.Code} "
            + string.Join(
                ' ',
                values.Select(v =>
                    $"{v.Parameter.Key} {(v.Parameter == Parameter.Secchi ? (v.Si * 100).ToString("0", CultureInfo.InvariantCulture) + " cm" : v.Si.ToString("0.##", CultureInfo.InvariantCulture))}"
                )
            );
        notes.Add(new(Zone.At(day, at), "Pond hand", text, k => new ReadingTaken(k.Pond(pond.Code), values)));
    }

    // Feed makes ammonia, the bloom takes most of it; in T3 the filter falls behind.
    private double Tan(string code, DateOnly day)
    {
        var sim = ponds[code];
        var load = (sim.Fish?.AppetiteShare(sim.TempC) ?? 0) * (sim.Fish?.Kg ?? 0) / sim.Pond.Shape.FullVolumeM3;
        var trouble =
            code == "T3" && day >= DemoScript.FilterTroubleT3
                ? 0.22 * (day.DayNumber - DemoScript.FilterTroubleT3.DayNumber)
                : 0;
        return 0.15 + (code[0] == 'T' ? 1.2 * load : 3 * load) + trouble;
    }

    private void WeatherNote(DateOnly day, List<Told> notes)
    {
        var at = Zone.At(day, new(16, 45));
        var w = weather.At(at, Zone);
        List<Value> values =
        [
            new(Parameter.AirTemperature, Math.Round(w.AirC, 0)),
            new(Parameter.Wind, Math.Round(w.WindMs, 1)),
            new(Parameter.Cloud, Math.Round(w.Cloud * 8)),
            new(Parameter.Rain, Math.Round(weather.RainM, 3)),
        ];
        notes.Add(
            new(
                at,
                "Pond hand",
                FormattableString.Invariant($"air {w.AirC:0} wind {w.WindMs:0.0} cloud {w.Cloud * 8:0}"),
                _ => new ReadingTaken(null, values)
            )
        );
    }

    // Two meals, as these people feed: by eye and table, held back after a bad dawn.
    private void Meals(DateOnly day, int hour, DemoPond pond, List<Told> notes)
    {
        if (
            hour is not (7 or 16)
            || BatchIn(pond.Code, day) is not { } batch
            || (hour == 16 && day == DemoScript.LastDay && pond.Code == "P4")
        )
            return;
        var sim = ponds[pond.Code];
        var fish = sim.Fish!;
        var low = lows.GetValueOrDefault(pond.Code, 8);
        var held = (hour, low) switch
        {
            (7, < 3) => 0,
            (7, < 4) => 0.5,
            (not 7, < 3) => 0.5,
            _ => 1.0,
        };
        var skimped =
            pond.Code == "P3" && day >= DemoScript.UnderfedP3[0] && day <= DemoScript.UnderfedP3[1] ? 0.55 : 1;
        var kg = fish.AppetiteShare(sim.TempC) * fish.Kg / 2 * held * skimped * (1 + (0.06 * chance.Normal()));
        if (sim.TempC < 12 || kg < 0.02)
            return;
        kg = Math.Round(
            kg,
            kg < 5 ? 2
                : kg < 20 ? 1
                : 0
        );
        var feed =
            fish.MeanG < 5 ? "crumble"
            : fish.MeanG < 50 ? "starter"
            : "grower";
        fedToday[pond.Code] = fedToday.GetValueOrDefault(pond.Code) + kg;
        storeKg[feed] = storeKg.GetValueOrDefault(feed) - kg;
        usedToday[feed] = usedToday.GetValueOrDefault(feed) + kg;
        sim.Feed();
        var at = Zone.At(day, Minutes(new(hour, 10), 3 * pond.Walk));
        notes.Add(
            new(at, "Pond hand", FormattableString.Invariant($"{pond.Code} fed {kg} kg {feed}"), k => new FeedingGiven(
                k.Pond(pond.Code),
                k.Feed(feed),
                kg
            ))
        );
    }

    private readonly Dictionary<string, double> fedToday = [];

    // Once a day: yesterday's feed becomes growth, the dead are gathered, now and then a batch is sampled.
    private void MorningOfFish(DateOnly day, List<Told> notes)
    {
        foreach (var pond in DemoScript.Ponds)
        {
            if (BatchIn(pond.Code, day) is not { } batch)
                continue;
            var sim = ponds[pond.Code];
            var dead = DeadToday(pond, sim);
            fedToday[pond.Code] = 0;
            var found = Enumerable.Range(0, dead).Count(_ => chance.Uniform() < hidden[pond.Code].ShareFound);
            if (found > 0 && day > batch.Day)
            {
                told[batch.Name] -= found;
                notes.Add(
                    new(
                        Zone.At(day, Minutes(new(6, 30), 3 * pond.Walk)),
                        "Pond hand",
                        $"{pond.Code} dead {found}",
                        k => new FishLost(k.Pond(pond.Code), k.Batch(batch.Name), found, Account.Dead, "")
                    )
                );
            }
            if (DemoScript.SampleDay(batch, day))
                Sample(day, pond, batch, notes);
        }
    }

    private int DeadToday(DemoPond pond, SimulatedPond sim) =>
        sim.Fish!.Day(
            sim.TempC,
            fedToday.GetValueOrDefault(pond.Code),
            lows.GetValueOrDefault(pond.Code, 8),
            hidden[pond.Code].UnseenPerDay,
            chance
        );

    private void Sample(DateOnly day, DemoPond pond, DemoBatch batch, List<Told> notes)
    {
        var fish = ponds[pond.Code].Fish!;
        var bias = 1 + (0.015 * chance.Normal());
        var casts = Enumerable
            .Range(0, 3)
            .Select(_ =>
            {
                var n = Math.Min(22 + chance.Poisson(18), (int)(fish.Count / 4));
                return (n, Math.Round(n * fish.MeanG * bias * (1 + (0.22 / Math.Sqrt(n) * chance.Normal())) / 10) * 10);
            })
            .ToList();
        var text =
            $"{pond.Code} sample "
            + string.Join(", ", casts.Select(c => FormattableString.Invariant($"{c.n} fish {c.Item2 / 1000:0.00} kg")));
        notes.Add(
            new(Zone.At(day, Minutes(new(6, 50), 2 * pond.Walk)), "Manager", text, k => new FishSampled(
                k.Pond(pond.Code),
                k.Batch(batch.Name),
                false,
                casts
            ))
        );
    }

    private static TimeOnly Minutes(TimeOnly from, double minutes)
    {
        var at = from.AddMinutes(minutes);
        return new(at.Hour, at.Minute);
    }
}
