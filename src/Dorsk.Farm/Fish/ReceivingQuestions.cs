using Dorsk.Core.Acclimate;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Fish;

/// <summary>Deliveries and acclimations.</summary>
internal static class ReceivingQuestions
{
    /// <summary>Deliveries for a pond, oldest first.</summary>
    public static List<(long Line, DateTimeOffset At, FishReceived Fact)> Deliveries(
        SqliteConnection c,
        AsOf asOf,
        long pond
    ) => ReceivingFacts.Received.All(c, asOf, "t.pond = $pond", ("pond", pond)).ConvertAll(x => (x.Line, x.At, x.Fact));

    /// <summary>A delivery by its number; null when there is none that counts.</summary>
    public static FishReceived? Delivery(SqliteConnection c, AsOf asOf, long number) =>
        ReceivingFacts.Received.All(c, asOf, "t.delivery = $number", ("number", number)) is [.., { Fact: var found }]
            ? found
            : null;

    /// <summary>Lines that stocked fish of a delivery.</summary>
    public static List<FactLine<FishStocked>> StockedFrom(SqliteConnection c, AsOf asOf, long number) =>
        FishFacts.Stocked.All(c, asOf, "t.delivery = $number", ("number", number));

    /// <summary>Acclimations, all or of a pond, the newest first.</summary>
    public static List<AccRun> Runs(SqliteConnection c, AsOf asOf, Hand hand, long? pond)
    {
        var begun = ReceivingFacts.Begun.All(c, asOf, "($pond IS NULL OR t.pond = $pond)", ("pond", pond));
        begun.Reverse();
        return begun.ConvertAll(b => Run(c, asOf, hand, b));
    }

    /// <summary>One acclimation; null when there is none of that line, or it was taken back.</summary>
    public static AccRun? Run(SqliteConnection c, AsOf asOf, Hand hand, long line) =>
        Runs(c, asOf, hand, null).Find(r => r.RunId == line);

    private static AccRun Run(SqliteConnection c, AsOf asOf, Hand hand, FactLine<AcclimationBegun> line)
    {
        var begun = line.Fact;
        var notes = ReceivingFacts
            .Noted.All(c, asOf, "t.run = $run", ("run", line.Line))
            .ConvertAll(n => new AccLine(n.Line, n.At, n.Author, n.Fact));
        var plan = AcclimationPlan.For(
            new(
                SettingsQuestions.Species(c, asOf, begun.SpeciesKey, begun.PondId),
                begun.MeanG,
                begun.Bag,
                begun.Places,
                begun.HoursInBag,
                begun.School,
                hand
            )
            {
                Own = begun.Own,
            }
        );
        return new(line.Line, line.At, begun, plan, notes);
    }
}
