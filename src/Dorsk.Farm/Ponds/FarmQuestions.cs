using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ponds;

/// <summary>Aerators as they were from an instant on.</summary>
internal sealed record AeratorsFrom(DateTimeOffset From, IReadOnlyList<Aerator> Aerators);

/// <summary>The farm itself: its description, ponds, aerators, feed kinds.</summary>
internal static class FarmQuestions
{
    public static FarmDescribed? Farm(SqliteConnection c, AsOf asOf) =>
        FarmFacts.Described.All(c, asOf) is [.., var last] ? last.Fact : null;

    /// <summary>The farm's clock; UTC before the farm is described.</summary>
    public static FarmZone Zone(SqliteConnection c) =>
        FarmZone.Find(Farm(c, AsOf.Now(DateTimeOffset.MaxValue))?.ZoneId ?? "") ?? FarmZone.Utc;

    /// <summary>Each pond as described for the latest day, by number: mending an old description does not undo a later one.</summary>
    public static List<Pond> Ponds(SqliteConnection c, AsOf asOf) =>
        [.. FarmFacts.Built.Newest(c, asOf, b => b.Pond.Id).Select(b => b.Fact.Pond).OrderBy(p => p.Id)];

    /// <summary>Ponds in use: those that are laid up stand aside.</summary>
    public static List<Pond> InUse(SqliteConnection c, AsOf asOf)
    {
        var archived = Archived(c, asOf);
        var ponds = Ponds(c, asOf).FindAll(p => !archived.ContainsKey(p.Id));
        return PlanFacts.Walk.All(c, asOf) is [.., var walk] ? [.. walk.Fact.InOrder(ponds)] : ponds;
    }

    /// <summary>Ponds that are laid up, with the reason.</summary>
    public static Dictionary<long, string> Archived(SqliteConnection c, AsOf asOf) =>
        FarmFacts
            .Archived.All(c, asOf)
            .GroupBy(a => a.Fact.PondId)
            .Select(g => g.Last().Fact)
            .Where(a => a.Archived)
            .ToDictionary(a => a.PondId, a => a.Reason);

    /// <summary>Equipment of a pond beside its aerators.</summary>
    public static IReadOnlyList<Equipment> Equipment(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts.Equipment.All(c, asOf, "t.pond = $pond", ("pond", pond)) is [.., var last] ? last.Fact.Items : [];

    public static Pond? Pond(SqliteConnection c, AsOf asOf, long pond) =>
        Ponds(c, asOf).FirstOrDefault(p => p.Id == pond);

    /// <summary>All fittings of aerators of a pond in order of time.</summary>
    public static List<AeratorsFrom> Aerators(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts
            .Aerators.All(c, asOf, "t.pond = $pond", ("pond", pond))
            .ConvertAll(f => new AeratorsFrom(f.At, f.Fact.Aerators));

    /// <summary>Water changed and let in, with its volume, oldest first.</summary>
    public static List<(DateTimeOffset At, PondWorked Fact)> WaterMoved(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts
            .Worked.All(c, asOf, "t.pond = $pond AND t.volume_m3 IS NOT NULL", ("pond", pond))
            .ConvertAll(w => (w.At, w.Fact));

    /// <summary>Patches on a liner, with their size where it was said, oldest first.</summary>
    public static List<(DateTimeOffset At, double? M2)> Patches(SqliteConnection c, AsOf asOf, long pond) =>
        FarmFacts
            .Worked.All(c, asOf, $"t.pond = $pond AND t.work = '{nameof(PondWork.LinerMended)}'", ("pond", pond))
            .ConvertAll(w => (w.At, w.Fact.PatchM2));

    /// <summary>Who built which pond, the last word on each.</summary>
    public static List<PondBuiltBy> Builders(SqliteConnection c, AsOf asOf) =>
        [.. FarmFacts.MadeBy.Newest(c, asOf, b => b.PondId).Select(b => b.Fact)];

    /// <summary>Work in a pond and what was found, the newest first.</summary>
    public static List<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> Works(
        SqliteConnection c,
        AsOf asOf,
        long pond
    )
    {
        var works = FarmFacts.Worked.All(c, asOf, "t.pond = $pond", ("pond", pond));
        works.Reverse();
        return works.ConvertAll(w => (w.At, w.Fact.Work, w.Fact.Text, w.Fact.AmountKg));
    }
}
