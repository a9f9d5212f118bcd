using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>Water that was changed, and what the next planned changes come to.</summary>
internal static class WaterChanges
{
    /// <summary>Water changed and let in at a pond in the last days, added up.</summary>
    public static WaterMoved Moved(SqliteConnection c, PondStory story, DateTimeOffset now) =>
        WaterMoved.Of(
            [
                .. FarmQuestions
                    .WaterMoved(c, AsOf.Now(now), story.Pond.Id)
                    .Select(w =>
                        (story.Zone.DayOf(w.At), w.Fact.VolumeM3!.Value, w.Fact.Work != PondWork.ToppedUp, w.Fact.Text)
                    ),
            ],
            story.Pond.Shape.FullVolumeM3,
            story.Zone.DayOf(now)
        );

    /// <summary>What the recurring changes of a pond's water come to, in words, by the number of the task.</summary>
    public static Dictionary<long, string> Words(
        SqliteConnection c,
        IReadOnlyList<DutyKept> duties,
        PondStory story,
        DateTimeOffset now
    ) =>
        duties
            .Where(d => d.PondId == story.Pond.Id)
            .Select(d => (d.DutyId, Planned: Planned(c, d, story, now)))
            .Where(d => d.Planned is not null)
            .ToDictionary(d => d.DutyId, d => d.Planned!.Value.Change.Words(story.Farm.Hand, story.Farm.Currency));

    /// <summary>A recurring change of water, worked out; null where the task changes none.</summary>
    public static (PlannedChange Change, double VolumeM3)? Planned(
        SqliteConnection c,
        DutyKept duty,
        PondStory story,
        DateTimeOffset now
    )
    {
        if (duty.SharePct is not { } share)
            return null;
        var volume = story.Pond.Shape.VolumeM3(story.LevelAt(now).LevelM);
        var pump = story.Equipment.FirstOrDefault(e => e is { Kind: EquipmentKind.Pump, FlowM3H: > 0, PowerKW: > 0 });
        return (
            PlannedChange.Of(
                share,
                volume,
                Moved(c, story, now).OldLeft,
                pump is null ? null : (pump.FlowM3H!.Value, pump.PowerKW!.Value),
                story.Farm.KWhPrice
            ),
            volume
        );
    }
}
