using Dorsk.Core.Notebook;
using Dorsk.Farm.Facts;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Notes;

/// <summary>Lines of the notebook: those that were not understood, and what was written by those that were.</summary>
internal static class NoteBook
{
    public static readonly FactTable<NoteKept> Kept = new FactTable<NoteKept>("note_kept", "note kept", Reach.Pages)
        .Column("text", n => n.Text)
        .Column("stop_at", n => n.At)
        .Column("word", n => n.Word)
        .Column("why", n => n.Why)
        .ReadBy(r => new(r.Text("text"), r.Int("stop_at"), r.Text("word"), r.Text("why")))
        .CheckedBy((_, n) => n.Check());

    public static IReadOnlyList<FactKind> Kinds { get; } = [Kept];

    /// <summary>Lines that wait to be mended, the oldest first.</summary>
    public static List<(long Line, DateTimeOffset At, NoteKept Note)> Waiting(SqliteConnection c, AsOf asOf) =>
        Kept.Sound(c, asOf).ConvertAll(n => (n.Line, n.At, n.Fact));
}
