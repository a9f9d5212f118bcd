using System.Diagnostics;
using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Bench;

/// <summary>The same farm with one and with ten years behind it: what the first answer after an entry costs, by turns in one run.</summary>
internal static class History
{
    private const int Ponds = 12,
        CycleDays = 300,
        Rounds = 80,
        Warm = 20,
        Few = 1,
        Many = 10;
    private const double MostLonger = 1.2;
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 7, 40, 0, TimeSpan.Zero);

    public static int Run()
    {
        var folder = Directory.CreateTempSubdirectory("dorsk-history-").FullName;
        try
        {
            using var few = new Old(Path.Combine(folder, "few.db"), Few);
            using var many = new Old(Path.Combine(folder, "many.db"), Many);
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{Ponds} ponds, {Few} year: {few.Lines:N0} lines; {Many} years: {many.Lines:N0} lines\nfirst answer after an entry       {Few} year, ms   {Many} years, ms   ratio"
                )
            );
            var holds = true;
            foreach (var what in Enum.GetValues<Moved>())
                holds &= Row(what, few, many);
            return holds ? 0 : 1;
        }
        finally
        {
            FarmFile.CloseIdle();
            Directory.Delete(folder, true);
        }
    }

    private static bool Row(Moved what, Old few, Old many)
    {
        List<double> a = [],
            b = [];
        for (var i = 0; i < Rounds + Warm; i++)
        {
            var (one, ten) = (few.Time(what), many.Time(what));
            if (i < Warm)
                continue;
            a.Add(one);
            b.Add(ten);
        }
        var ratio = Median(b) / Median(a);
        Console.WriteLine(
            FormattableString.Invariant(
                $"{what, -30} {Median(a), 14:0.00} {Median(b), 15:0.00} {ratio, 9:0.00}  (wanted at most {MostLonger}){(ratio <= MostLonger ? "" : "  DOES NOT HOLD")}"
            )
        );
        return ratio <= MostLonger;
    }

    private static double Median(List<double> of) => of.Order().ElementAt(of.Count / 2);

    private enum Moved
    {
        Reading,
        Feeding,
        Weather,
        Deaths,
    }

    private sealed class Old : IDisposable
    {
        private readonly SetClock clock = new();
        private readonly Door door;
        private readonly Questions questions;
        private readonly List<long> ponds = [];
        private readonly Dictionary<long, long> batches = [];
        private readonly long feed;
        private int entered;

        public Old(string path, int years)
        {
            var file = new FarmFile(path);
            file.Prepare();
            door = new Door(file, clock);
            questions = new Questions(file);
            var from = Now.AddYears(-years);
            clock.Now = from;
            Enter(
                new FarmDescribed("Old", "made up", new Place(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"),
                from
            );
            feed = Enter(new FeedNamed(0, "grower", 4, 35, 215), from);
            for (var i = 1; i <= Ponds; i++)
                ponds.Add(Enter(Pond(i), from));
            for (var day = 0; from.AddDays(day) < Now; day++)
                Day(from.AddDays(day), (int)(Now - from.AddDays(day)).TotalDays);
            clock.Now = Now;
            Enter(new FeedReceived(feed, "", 20_000, null), Now.AddDays(-1));
            Lines = questions.LastLine();
            questions.Today(Now);
        }

        public long Lines { get; }

        /// <summary>Enters something and asks for Today; milliseconds of the answer.</summary>
        public double Time(Moved what)
        {
            var pond = ponds[entered % ponds.Count];
            var at = Now.AddMinutes(-200).AddSeconds(entered++);
            Enter(
                what switch
                {
                    Moved.Reading => new ReadingTaken(pond, [new(Parameter.Oxygen, 5 + (entered % 7 / 10.0))]),
                    Moved.Feeding => new FeedingGiven(pond, feed, 5),
                    Moved.Weather => new ReadingTaken(null, [new(Parameter.Wind, entered % 5)]),
                    _ => new FishLost(pond, batches[pond], 1, Account.Dead, "found"),
                },
                at
            );
            var watch = Stopwatch.StartNew();
            questions.Today(Now);
            return watch.Elapsed.TotalMilliseconds;
        }

        public void Dispose() => FarmFile.CloseIdle();

        private static PondBuilt Pond(int i) =>
            new(
                new Pond(
                    0,
                    FormattableString.Invariant($"P{i:00}"),
                    "",
                    PondKind.Earthen,
                    new SlopedRectangle(70, 55, 1.5, 2),
                    "grow-out"
                )
            );

        // Both farms end with the same half cycle in every pond: days are counted back from now.
        private void Day(DateTimeOffset at, int daysLeft)
        {
            clock.Now = at.AddHours(12);
            if (daysLeft % 100 == 0)
                Enter(new FeedReceived(feed, "", 20_000, null), at);
            var inCycle = (CycleDays - 1) - ((daysLeft + (CycleDays / 2)) % CycleDays);
            var lines = new List<NewLine>();
            foreach (var pond in ponds)
            {
                if (inCycle == 0 || !batches.ContainsKey(pond))
                    batches[pond] = Enter(
                        new FishStocked(pond, "silver_perch", "hatchery", 3000, 20, CountBasis.Counted, "bench", null),
                        at
                    );
                lines.Add(
                    new(
                        at.AddHours(1),
                        new ReadingTaken(pond, [new(Parameter.Oxygen, 6), new(Parameter.Temperature, 24)]),
                        "",
                        null
                    )
                );
                lines.Add(
                    new(
                        at.AddHours(11),
                        new ReadingTaken(pond, [new(Parameter.Oxygen, 9), new(Parameter.Temperature, 25)]),
                        "",
                        null
                    )
                );
                lines.Add(new(at.AddHours(2), new FeedingGiven(pond, feed, 8), "", null));
            }
            lines.Add(new(at.AddHours(1), new ReadingTaken(null, [new(Parameter.Wind, 2)]), "", null));
            Enter(lines);
            if (inCycle == CycleDays - 1)
                foreach (var pond in ponds)
                    Enter(
                        new FishHarvested(
                            pond,
                            batches[pond],
                            2800,
                            1400,
                            CountBasis.Counted,
                            Account.Harvested,
                            true,
                            "died unseen"
                        ),
                        at.AddHours(12)
                    );
        }

        private long Enter(Fact fact, DateTimeOffset at) => Enter([new(at, fact, "", null)]);

        private long Enter(IReadOnlyList<NewLine> lines)
        {
            var entry = new Entry(Guid.NewGuid(), "Manager", lines, []);
            var receipt = door.Enter(entry);
            if (!receipt.Accepted)
                receipt = door.Enter(
                    entry with
                    {
                        Id = Guid.NewGuid(),
                        Meant = [.. receipt.Remarks.Select(r => r.Text)],
                    }
                );
            return receipt.Accepted
                ? receipt.Lines[0]
                : throw new InvalidOperationException(string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
        }
    }
}
