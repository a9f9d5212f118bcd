namespace Dorsk.Core.Time;

/// <summary>The span from noon to noon that holds one dark period, named by the date of its evening.</summary>
/// <param name="Evening">The farm day on which it begins at noon.</param>
public readonly record struct Night(DateOnly Evening)
{
    /// <summary>The night that holds an instant: before noon it is still last night's.</summary>
    public static Night Of(DateTimeOffset instant, FarmZone zone)
    {
        var local = zone.LocalAt(instant);
        var day = DateOnly.FromDateTime(local);
        return new(local.Hour < 12 ? day.AddDays(-1) : day);
    }

    /// <summary>The noon it begins at.</summary>
    public DateTimeOffset Start(FarmZone zone) => zone.At(Evening, new TimeOnly(12, 0));

    /// <summary>The noon it ends at.</summary>
    public DateTimeOffset End(FarmZone zone) => zone.At(Evening.AddDays(1), new TimeOnly(12, 0));

    /// <summary>The night before this one.</summary>
    public Night Previous => new(Evening.AddDays(-1));
}
