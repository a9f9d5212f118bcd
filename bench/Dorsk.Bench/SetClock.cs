namespace Dorsk.Bench;

/// <summary>A clock that stands where it is set.</summary>
internal sealed class SetClock : TimeProvider
{
    public DateTimeOffset Now { get; set; }

    public override DateTimeOffset GetUtcNow() => Now;
}
