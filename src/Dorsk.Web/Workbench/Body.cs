using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Lines that describe a sloped rectangle, shared by three calculators.</summary>
internal static class Body
{
    public static IEnumerable<SlipField> Fields(BenchStart s)
    {
        var r = s.Pond?.Pond.Shape as SlopedRectangle;
        if (s.Pond is { } pond && r is null)
        {
            yield return s.Heading($"{pond.Pond.Code}, its body as described");
            yield break;
        }
        yield return s.Quantity("length", "Length of the full water", Measures.Length, r?.LengthM ?? 40);
        yield return s.Quantity("width", "Width of the full water", Measures.Length, r?.WidthM ?? 25);
        yield return s.Quantity(
                "slope",
                "Bank slope",
                Measures.Plain,
                s.Of(r?.Slope, 2, Measures.Plain with { Decimals = 1, UsDecimals = 1 })
            )
            .WithHint("across for 1 down; 0 for walls");
        yield return s.Quantity("depth", "Depth when full", Measures.Length, r?.DepthM ?? 1.4);
    }

    public static PondShape? Read(BenchForm f)
    {
        if (f.AsBuilt is { } shape)
            return shape;
        var (length, width, slope, depth) = (
            f.Form.Quantity("length", Measures.Length),
            f.Form.Quantity("width", Measures.Length),
            f.Form.Quantity("slope", Measures.Plain),
            f.Form.Quantity("depth", Measures.Length)
        );
        if (!f.Sound)
            return null;
        foreach (var remark in SlopedRectangle.Check(length, width, depth, slope))
            f.Form.Refuse(remark with { Field = remark.Field.ToLowerInvariant() });
        return f.Sound ? new SlopedRectangle(length, width, depth, slope) : null;
    }

    public static double Level(BenchForm f, string field, PondShape body) =>
        f.Q(field, Measures.Length, 0, body.FullDepthM);
}
