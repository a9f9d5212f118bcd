using Dorsk.Core.Water;

namespace Dorsk.Web.Parts;

/// <summary>One line of the picture.</summary>
/// <param name="Parameter">What it shows.</param>
/// <param name="Points">Corners of the line.</param>
/// <param name="TopMgL">The value at the top of its scale, mg/L.</param>
/// <param name="Last">The last day, for the word beside it.</param>
/// <param name="LastY">Where its line ends.</param>
public sealed record NitrogenLine(Parameter Parameter, string Points, double TopMgL, DayValue Last, double LastY);

/// <summary>Ammonia, nitrite and nitrate on one time scale, each on a scale of its own: a step of the bacteria that lags is seen at once.</summary>
public sealed class NitrogenPicture
{
    /// <summary>Width and height of the drawing.</summary>
    public const double Width = 720,
        Height = 190;

    private const double Left = 8,
        Right = 610,
        Top = 12,
        Bottom = 164;

    /// <summary>Lines, ammonia first; only what was read twice or more.</summary>
    public IReadOnlyList<NitrogenLine> Lines { get; }

    /// <summary>Days under the axis: place and day.</summary>
    public IReadOnlyList<(double X, DateOnly Day)> Ticks { get; }

    /// <param name="series">Day means of each value, in order of days.</param>
    /// <param name="from">First day of the drawing.</param>
    /// <param name="to">Last day, after the first.</param>
    public NitrogenPicture(
        IEnumerable<(Parameter Parameter, IReadOnlyList<DayValue> Days)> series,
        DateOnly from,
        DateOnly to
    )
    {
        double X(DateOnly day) =>
            Left + ((Right - Left) * (day.DayNumber - from.DayNumber) / (to.DayNumber - from.DayNumber));
        Lines = [.. series.Where(s => s.Days.Count > 1).Select(s => Line(s.Parameter, s.Days, X))];
        Ticks =
        [
            .. Enumerable
                .Range(0, 5)
                .Select(i => from.AddDays((to.DayNumber - from.DayNumber) * i / 4))
                .Select(d => (X(d), d)),
        ];
    }

    private static NitrogenLine Line(Parameter parameter, IReadOnlyList<DayValue> days, Func<DateOnly, double> x)
    {
        var top = Math.Max(1e-6, days.Max(d => d.Si));
        double Y(double si) => Bottom - ((Bottom - Top) * si / top);
        var points = days.Select(d => FormattableString.Invariant($"{x(d.Day):0.#},{Y(d.Si):0.#}"));
        return new(parameter, string.Join(' ', points), top, days[^1], Y(days[^1].Si));
    }
}
