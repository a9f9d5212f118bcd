using Dorsk.Core.Judging;
using MathNet.Numerics.Interpolation;

namespace Dorsk.Core.Ponds;

/// <summary>
/// A pond whose volume was measured at several gauge levels. Between them the volume follows a monotone cubic (Fritsch and Carlson 1980),
/// the area is its slope; the full pond has the area of its outline.
/// </summary>
/// <param name="Outline">Outline of the full water about its middle.</param>
/// <param name="Levels">Gauge level, m, and volume, m³; rising, the last is the full pond. The empty floor is added.</param>
public sealed record TablePond(Outline Outline, IReadOnlyList<(double LevelM, double VolumeM3)> Levels) : PondShape
{
    private readonly double areaM2 = Outline.AreaM2;
    private readonly Lazy<CubicSpline> curve = new(() =>
        CubicSpline.InterpolatePchipSorted([0, .. Levels.Select(l => l.LevelM)], [0, .. Levels.Select(l => l.VolumeM3)])
    );

    /// <inheritdoc/>
    public override double FullDepthM => Levels[^1].LevelM;

    /// <inheritdoc/>
    public override IReadOnlyList<(double EastM, double NorthM)> CornersM => Outline.CornersM;

    /// <inheritdoc/>
    public override double AreaM2(double levelM) =>
        Held(levelM) >= FullDepthM ? areaM2 : Math.Clamp(curve.Value.Differentiate(Held(levelM)), 0, areaM2);

    /// <inheritdoc/>
    public override double VolumeM3(double levelM) =>
        Held(levelM) is > 0 and var held ? curve.Value.Interpolate(held) : 0;

    /// <summary>What stands against this body.</summary>
    public IEnumerable<Remark> Check()
    {
        foreach (var remark in Outline.Check("Corners"))
            yield return remark;
        if (Levels.Count is < 2 or > 200)
        {
            yield return Remark.Refuse("Table", "Two levels at least, 200 at most, each with its volume.");
            yield break;
        }
        var before = (LevelM: 0.0, VolumeM3: 0.0);
        foreach (var (row, i) in Levels.Select((l, i) => (l, i)))
        {
            if (!(row.LevelM > before.LevelM) || !(row.VolumeM3 > before.VolumeM3) || !double.IsFinite(row.VolumeM3))
                yield return RowOutside(row, i);
            else if ((row.VolumeM3 - before.VolumeM3) / (row.LevelM - before.LevelM) > 1.05 * areaM2 && areaM2 > 0)
                yield return Remark.Refuse(
                    "Table",
                    FormattableString.Invariant(
                        $"Row {i + 1}: {row.VolumeM3 - before.VolumeM3:0} m³ in {row.LevelM - before.LevelM:0.##} m of depth is more than the outline of {areaM2:0} m² can hold. Check the volume or the corners."
                    )
                );
            before = row;
        }
        foreach (var remark in Messages.Depth(Levels[^1].LevelM))
            yield return Remark.Refuse("Table", remark.Text);
    }

    private static Remark RowOutside((double LevelM, double VolumeM3) row, int i) =>
        Remark.Refuse(
            "Table",
            FormattableString.Invariant(
                $"Row {i + 1}: level {row.LevelM:0.##} m and volume {row.VolumeM3:0.#} m³ must both be above the row before."
            )
        );
}
