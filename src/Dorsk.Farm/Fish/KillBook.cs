using Dorsk.Core.Stock;
using Dorsk.Farm.Facts;

namespace Dorsk.Farm.Fish;

/// <summary>Kills of fish written up.</summary>
internal static class KillBook
{
    public static readonly FactTable<KillWritten> Written = new FactTable<KillWritten>("kill_written", "fish kill")
        .Pond("pond", f => f.PondId)
        .Column("began", f => f.Began)
        .Column("lost", f => f.Lost)
        .Column("cause", f => f.Cause)
        .Column("course", f => f.Course)
        .Column("change", f => f.Change)
        .ReadBy(r =>
            new(r.Long("pond"), r.Instant("began"), r.Int("lost"), r.Text("cause"), r.Text("course"), r.Text("change"))
        )
        .CheckedBy((desk, f) => f.Check(desk.Happened));
}
