using System.Globalization;
using Dorsk.Core.Hatchery;

namespace Dorsk.Web.Parts;

/// <summary>A stretch of a lot on the time line.</summary>
/// <param name="X">Left end, of <see cref="HatchStrip.Width"/>.</param>
/// <param name="W">Its length.</param>
/// <param name="Kind">Eggs, sac fry, feeding, pond.</param>
public readonly record struct HatchStretch(double X, double W, string Kind);

/// <summary>A row of the time line.</summary>
/// <param name="Name">What stands there.</param>
/// <param name="Stretches">Stretches in order.</param>
/// <param name="Marks">Hours of the clock: left end of their range, likely, right end, what.</param>
/// <param name="Next">The next hour in words.</param>
public sealed record HatchRow(
    string Name,
    IReadOnlyList<HatchStretch> Stretches,
    IReadOnlyList<(double From, double At, double To, string What)> Marks,
    string Next
);

/// <summary>The hatchery as one time line: lots and fry ponds, three days back and nine ahead.</summary>
public sealed class HatchStrip
{
    /// <summary>Width of the drawing.</summary>
    public const double Width = 720;

    /// <summary>Height of a row.</summary>
    public const double RowHeight = 30;

    private const int Back = 3,
        Ahead = 9;
    private readonly Here here;
    private readonly DateTimeOffset from,
        to;

    /// <summary>Draws it.</summary>
    /// <param name="here">The farm and the hour.</param>
    /// <param name="lots">Lots that hold animals.</param>
    /// <param name="ponds">Fry ponds: code, day of stocking, end of natural food.</param>
    public HatchStrip(
        Here here,
        IEnumerable<LotState> lots,
        IEnumerable<(string Code, DateOnly Stocked, NaturalFoodEnd? End)> ponds
    )
    {
        this.here = here;
        (from, to) = (
            here.Zone.At(here.Today.AddDays(-Back), TimeOnly.MinValue),
            here.Zone.At(here.Today.AddDays(Ahead), TimeOnly.MinValue)
        );
        Rows = [.. lots.Select(Row), .. ponds.Select(Row)];
        Days =
        [
            .. Enumerable
                .Range(0, Back + Ahead)
                .Select(i => here.Today.AddDays(i - Back))
                .Select(d =>
                    (X(here.Zone.At(d, TimeOnly.MinValue)), d.ToString("ddd d", CultureInfo.InvariantCulture))
                ),
        ];
    }

    /// <summary>Rows in order.</summary>
    public IReadOnlyList<HatchRow> Rows { get; }

    /// <summary>Days with their left ends.</summary>
    public IReadOnlyList<(double X, string Name)> Days { get; }

    /// <summary>Now.</summary>
    public double NowX => X(here.Now);

    /// <summary>A figure for a drawing.</summary>
    public static string N(double v) => v.ToString("0.#", CultureInfo.InvariantCulture);

    private double X(DateTimeOffset at) => Math.Clamp((at - from) / (to - from), 0, 1) * Width;

    private HatchRow Row(LotState lot)
    {
        var hours = lot.Clock.Hours.ToDictionary(h => h.Stage);
        var (hatch, feed) = (hours[EggStage.SacFry].At, lot.FirstFeedAt);
        var marks = lot
            .Clock.Hours.Where(h => h.Stage >= EggStage.Eyed && h.At > here.Now && h.At < to)
            .Select(h => (X(h.Earliest), X(h.At), X(h.Latest), HatchWordShort(h.Stage)))
            .ToList();
        return new(
            $"Lot {lot.Lot.LotId}, {lot.Vessel?.Name}",
            [Stretch(lot.Lot.TakenAt, hatch, "eggs"), Stretch(hatch, feed, "sac"), Stretch(feed, to, "fed")],
            marks,
            lot.Next is { } next
                ? $"{Slips.HatchWord.Of(next.Stage)} {here.Soon(next.At)}"
                : "feeding: bell round the clock"
        );
    }

    private static string HatchWordShort(EggStage stage) =>
        stage switch
        {
            EggStage.Eyed => "eyed",
            EggStage.Hatching => "hatch",
            EggStage.SacFry => "",
            EggStage.SwimUp => "",
            _ => "first feed",
        };

    private HatchRow Row((string Code, DateOnly Stocked, NaturalFoodEnd? End) p)
    {
        var end = p.End is { } e ? here.Zone.At(e.By, TimeOnly.MinValue) : to;
        return new(
            $"{p.Code}, fry pond",
            [Stretch(here.Zone.At(p.Stocked, TimeOnly.MinValue), end, "pond")],
            p.End is { } f && here.Zone.At(f.From, TimeOnly.MinValue) < to
                ?
                [
                    (
                        X(here.Zone.At(f.From, TimeOnly.MinValue)),
                        X(here.Zone.At(f.From, TimeOnly.MinValue)),
                        X(here.Zone.At(f.By, TimeOnly.MinValue)),
                        "harvest"
                    ),
                ]
                : [],
            p.End is { } g ? $"harvest {here.Day(g.From)} to {here.Day(g.By)}" : "no days in the tables"
        );
    }

    private HatchStretch Stretch(DateTimeOffset a, DateTimeOffset b, string kind) =>
        new(X(a), Math.Max(0, X(b) - X(a)), kind);
}
