using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Tests;

/// <summary>A farm in a temporary file with one pond, and a clock that tests set.</summary>
internal sealed class TestFarm : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-test-").FullName;

    public TestFarm()
    {
        File = FreshFile.At(Path.Combine(folder, "farm.db"));
        Door = new Door(File, Clock);
        Questions = new Questions(File);
        Must(new FarmDescribed("Test", "made up", new(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"), Start);
        PondId = Must(
            new PondBuilt(new Pond(0, "P1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            Start
        );
        Clock.Now = new(2027, 1, 1, 0, 0, 0, TimeSpan.Zero);
    }

    public static DateTimeOffset Start { get; } = new(2026, 1, 1, 0, 0, 0, TimeSpan.Zero);

    public FarmFile File { get; }

    public TestClock Clock { get; } = new() { Now = Start };

    public Door Door { get; }

    public Questions Questions { get; }

    public long PondId { get; }

    public PondStory Story => Questions.Story("P1")!;

    /// <summary>Enters a fact, answering every question with yes; the line's number.</summary>
    public long Must(Fact fact, DateTimeOffset happened, long? corrects = null)
    {
        var receipt = Try(fact, happened, corrects);
        Assert.True(receipt.Accepted, string.Join(" | ", receipt.Remarks.Select(r => r.Text)));
        return receipt.Lines[0];
    }

    public Receipt Try(Fact? fact, DateTimeOffset happened, long? corrects = null)
    {
        var entry = new Entry(Guid.NewGuid(), "Manager", [new NewLine(happened, fact, "", corrects)], []);
        var receipt = Door.Enter(entry);
        return receipt.Accepted || receipt.Remarks.Any(r => r.Kind == Objection.Refuse)
            ? receipt
            : Door.Enter(entry with { Id = Guid.NewGuid(), Meant = receipt.Remarks.Select(r => r.Text).ToList() });
    }

    public long Stock(int count = 1000, double meanG = 50, int day = 1) =>
        Must(
            new FishStocked(PondId, "silver_perch", "hatchery", count, meanG, CountBasis.ByWeight, "test", null),
            Start.AddDays(day)
        );

    public IReadOnlyList<Movement> Movements(long batch)
    {
        using var c = File.Open();
        return FishQuestions.Movements(c, AsOf.Now(DateTimeOffset.MaxValue), batch);
    }

    public int Stands(long batch) => Ledger.Balance(Movements(batch), batch, Account.Pond, PondId);

    public void Dispose()
    {
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }
}

internal sealed class TestClock : TimeProvider
{
    public DateTimeOffset Now { get; set; }

    public override DateTimeOffset GetUtcNow() => Now;
}
