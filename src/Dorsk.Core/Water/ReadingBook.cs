namespace Dorsk.Core.Water;

/// <summary>Readings of one water, or of the farm's weather, by parameter. Nothing in it changes.</summary>
public sealed class ReadingBook
{
    /// <summary>Nothing was ever read.</summary>
    public static readonly ReadingBook Empty = new([]);

    private readonly Dictionary<Parameter, ReadingSeries> series;

    private ReadingBook(Dictionary<Parameter, ReadingSeries> series) => this.series = series;

    /// <summary>A book of readings; those of one parameter and instant keep their order.</summary>
    public static ReadingBook Of(IEnumerable<(Parameter Parameter, Timed Timed)> readings) =>
        new(readings.GroupBy(r => r.Parameter, r => r.Timed).ToDictionary(g => g.Key, ReadingSeries.Of));

    /// <summary>Readings of a parameter; an empty series where there are none.</summary>
    public ReadingSeries this[Parameter parameter] => series.GetValueOrDefault(parameter, ReadingSeries.Empty);

    /// <summary>Parameters that were read.</summary>
    public IReadOnlyCollection<Parameter> Parameters => series.Keys;

    /// <summary>This book with more readings. What was not read anew is shared with this one.</summary>
    public ReadingBook With(IEnumerable<(Parameter Parameter, Timed Timed)> more)
    {
        var all = new Dictionary<Parameter, ReadingSeries>(series);
        foreach (var one in more.GroupBy(r => r.Parameter, r => r.Timed))
            all[one.Key] = this[one.Key].With([.. one]);
        return new(all);
    }

    /// <summary>This book put in among other readings; of one instant they come before what stands here.</summary>
    public ReadingBook After(IEnumerable<(Parameter Parameter, Timed Timed)> others)
    {
        var all = new Dictionary<Parameter, ReadingSeries>(series);
        foreach (var one in others.GroupBy(r => r.Parameter, r => r.Timed))
            all[one.Key] = ReadingSeries.Of(one.Concat(this[one.Key]));
        return new(all);
    }

    /// <summary>The readings for which something holds. A series of which all stay is shared with this book.</summary>
    public ReadingBook Where(Func<Parameter, Timed, bool> stays) => Where(stays, Empty, Empty);

    /// <summary>The same; what did not move since it was last asked by the same rule is taken from there.</summary>
    /// <param name="stays">What holds of those that stay.</param>
    /// <param name="before">This book as it was.</param>
    /// <param name="stayed">What stayed of it.</param>
    public ReadingBook Where(Func<Parameter, Timed, bool> stays, ReadingBook before, ReadingBook stayed)
    {
        ReadingSeries Of(Parameter parameter, ReadingSeries all)
        {
            if (ReferenceEquals(before[parameter], all))
                return stayed[parameter];
            return all.All(t => stays(parameter, t)) ? all : ReadingSeries.Of(all.Where(t => stays(parameter, t)));
        }
        return new(series.ToDictionary(s => s.Key, s => Of(s.Key, s.Value)));
    }
}
