namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>Last movements of the store, feedings apart, newest first.</summary>
    public IReadOnlyList<LogRow> StoreLog(int most)
    {
        using var c = file.Open();
        return LogLines.OfStore(c, Log.AsOf.Now(DateTimeOffset.MaxValue), most);
    }
}
