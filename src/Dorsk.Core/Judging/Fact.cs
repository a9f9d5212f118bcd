namespace Dorsk.Core.Judging;

/// <summary>Something that happened on the farm or was decided, as it goes through the door. Values are SI.</summary>
public abstract record Fact;
