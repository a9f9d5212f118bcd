using System.Text.Json;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Files;

/// <summary>A pond's outline from a GeoJSON file.</summary>
/// <param name="Code">Property code, or empty.</param>
/// <param name="Outline">Corners in metres about the farm's place.</param>
/// <param name="AreaM2">Area on the ellipsoid, m².</param>
public sealed record GeoOutline(string Code, Outline Outline, double AreaM2);

/// <summary>Outlines as GeoJSON (RFC 7946), longitude and latitude on WGS 84.</summary>
public static class GeoOutlines
{
    private const int RoundTankCorners = 48;
    private static readonly JsonSerializerOptions Lines = new() { WriteIndented = true };

    /// <summary>Writes every pond of the plan as a polygon; round tanks as one of 48 corners.</summary>
    public static string Write(Plan plan, Place place)
    {
        var plane = new GeoPlane(place);
        return JsonSerializer.Serialize(
            new
            {
                type = "FeatureCollection",
                features = plan.Ponds.Select(p =>
                {
                    var corners =
                        p.RadiusM == 0
                            ? p.Outline
                            : Enumerable
                                .Range(0, RoundTankCorners)
                                .Select(i =>
                                    (
                                        p.EastM + (p.RadiusM * Math.Cos(2 * Math.PI * i / RoundTankCorners)),
                                        p.NorthM + (p.RadiusM * Math.Sin(2 * Math.PI * i / RoundTankCorners))
                                    )
                                )
                                .ToList();
                    var ring = corners
                        .Append(corners[0])
                        .Select(c => plane.ToDegrees(c.EastM, c.NorthM))
                        .Select(d => new[] { Math.Round(d.LongitudeDeg, 8), Math.Round(d.LatitudeDeg, 8) });
                    return new
                    {
                        type = "Feature",
                        properties = new
                        {
                            code = p.Pond.Code,
                            name = p.Pond.Name,
                            kind = p.Pond.Kind.ToString(),
                            full_depth_m = p.Pond.Shape.FullDepthM,
                        },
                        geometry = new { type = "Polygon", coordinates = new[] { ring } },
                    };
                }),
            },
            Lines
        );
    }

    /// <summary>Reads outlines. Problems name the feature and, where sides cross, the place; then nothing should be taken from the file.</summary>
    public static (IReadOnlyList<GeoOutline> Outlines, IReadOnlyList<string> Problems) Read(string json, Place place)
    {
        var (found, problems) = (new List<GeoOutline>(), new List<string>());
        try
        {
            using var file = JsonDocument.Parse(json);
            var root = file.RootElement;
            var features =
                Type(root) == "FeatureCollection" ? [.. root.GetProperty("features").EnumerateArray()] : new[] { root };
            foreach (var (feature, i) in features.Select((f, i) => (f, i + 1)))
            {
                var code =
                    Type(feature) == "Feature"
                    && feature.TryGetProperty("properties", out var said)
                    && said.ValueKind == JsonValueKind.Object
                    && said.TryGetProperty("code", out var c)
                        ? c.ToString().Trim().ToUpperInvariant()
                        : "";
                var name = code.Length > 0 ? $"Outline {i} ({code})" : $"Outline {i}";
                var (ring, problem) = Ring(Type(feature) == "Feature" ? feature.GetProperty("geometry") : feature);
                if (ring is null)
                    problems.Add($"{name}: {problem}");
                else
                    Add(found, problems, code, name, ring, new GeoPlane(place));
            }
            if (features.Length == 0)
                problems.Add("The file holds no outline.");
        }
        catch (Exception e) when (e is JsonException or KeyNotFoundException or InvalidOperationException)
        {
            problems.Add("This is not GeoJSON: a file with a FeatureCollection, a Feature or a Polygon is wanted.");
        }
        foreach (var twice in found.GroupBy(f => f.Code).Where(g => g.Key.Length > 0 && g.Count() > 1))
            problems.Add($"{twice.Key} stands in the file {twice.Count()} times. One outline for each pond.");
        return (found, problems);
    }

    private static void Add(
        List<GeoOutline> found,
        List<string> problems,
        string code,
        string name,
        List<(double Lon, double Lat)> ring,
        GeoPlane plane
    )
    {
        if (
            ring.FirstOrDefault(p => !(Math.Abs(p.Lon) <= 180) || !(Math.Abs(p.Lat) <= 90)) is var (lon, lat)
            && (lon, lat) != default
        )
        {
            problems.Add(
                FormattableString.Invariant(
                    $"{name}: {lon:0.####}, {lat:0.####} is no longitude and latitude. Degrees of WGS 84 are wanted, not metres of a grid."
                )
            );
            return;
        }
        var outline = new Outline(ring.Select(p => plane.ToMetres(p.Lon, p.Lat)).ToList());
        if (
            outline.CornersM.Any(c => Math.Abs(c.EastM) > FarmPlan.FurthestM || Math.Abs(c.NorthM) > FarmPlan.FurthestM)
        )
        {
            problems.Add(
                $"{name} lies more than 20 km from the farm's place. Check the farm's latitude and longitude, and that the file gives longitude first."
            );
            return;
        }
        var wrong = outline.Check("").ToList();
        if (
            wrong.Count > 0
            && outline.Crossing() is { } at
            && wrong[0].Text.Contains("crosses", StringComparison.Ordinal)
        )
        {
            var (x, y) = plane.ToDegrees(at.Where.EastM, at.Where.NorthM);
            problems.Add(
                FormattableString.Invariant(
                    $"{name}: {wrong[0].Text} That is at longitude {x:0.000000}, latitude {y:0.000000}."
                )
            );
        }
        else if (wrong.Count > 0)
            problems.Add($"{name}: {wrong[0].Text}");
        else
            found.Add(new(code, outline, GeoPlane.AreaM2(ring)));
    }

    private static (List<(double, double)>? Ring, string Problem) Ring(JsonElement geometry)
    {
        if (geometry.ValueKind != JsonValueKind.Object || Type(geometry) != "Polygon")
            return (null, $"a {Type(geometry)} is no outline; a Polygon is wanted.");
        var rings = geometry.GetProperty("coordinates");
        if (rings.GetArrayLength() != 1)
            return (
                null,
                rings.GetArrayLength() == 0
                    ? "it has no corners."
                    : "it has a hole. Draw the island as land: one ring only."
            );
        var points = rings[0].EnumerateArray().Select(p => (p[0].GetDouble(), p[1].GetDouble())).ToList();
        // The ring of the file is closed; an outline is not.
        if (points.Count > 1 && points[0] == points[^1])
            points.RemoveAt(points.Count - 1);
        return (points, "");
    }

    private static string Type(JsonElement e) =>
        e.ValueKind == JsonValueKind.Object && e.TryGetProperty("type", out var type)
            ? type.ToString()
            : "thing without a type";
}
