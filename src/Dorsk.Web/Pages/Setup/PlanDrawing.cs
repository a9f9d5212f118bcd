using System.Text.Json;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;
using Dorsk.Web.Parts;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Pages;

/// <summary>The farm's plan as the editor takes it along and as it comes back.</summary>
internal static class PlanDrawing
{
    private static readonly JsonSerializerOptions Plain = new()
    {
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        Converters = { new System.Text.Json.Serialization.JsonStringEnumConverter() },
    };

    /// <summary>A pond as drawn. Id 0 is a new one; a round tank has one corner, its middle.</summary>
    internal sealed record Drawn(
        long Id,
        string? Code,
        double R,
        double[][]? Corners,
        DrawnMark[]? Marks,
        string? Kind,
        string? Use,
        string? Depth,
        string? Slope
    );

    /// <summary>A mark where it lies on the plan.</summary>
    internal sealed record DrawnMark(MarkKind Kind, string? Code, double[]? At);

    /// <summary>A pond that was refused, and why.</summary>
    internal sealed record Wrong(string Code, string Text);

    /// <summary>The plan for the editor.</summary>
    public static string Write(Plan plan) =>
        JsonSerializer.Serialize(
            new
            {
                ponds = plan.Ponds.Select(p => new
                {
                    id = p.Pond.Id,
                    code = p.Pond.Code,
                    r = p.RadiusM,
                    corners = p.RadiusM > 0 ? [Point((p.EastM, p.NorthM))] : p.Outline.Select(Point).ToArray(),
                    marks = plan
                        .Marks.Where(m => m.PondId == p.Pond.Id)
                        .Select(m => new
                        {
                            kind = m.Mark.Kind.ToString(),
                            code = m.Mark.Code,
                            at = Point((m.Mark.EastM, m.Mark.NorthM)),
                        }),
                }),
                signs = Enum.GetValues<MarkKind>().ToDictionary(k => k.ToString(), PlanView.MarkPath),
                landmarks = plan
                    .Landmarks.Select(x => x.Fact)
                    .Select(l => new
                    {
                        kind = l.Kind,
                        name = l.Name,
                        points = l.PointsM.Select(Point),
                    }),
            },
            Plain
        );

    /// <summary>Reads what the editor sent; null when it is no drawing.</summary>
    public static IReadOnlyList<Drawn>? Read(string? json)
    {
        try
        {
            var drawn = JsonSerializer.Deserialize<List<Drawn?>>(json ?? "", Plain);
            var sound =
                drawn is { Count: <= 500 }
                && drawn.All(d =>
                    d?.Corners is { Length: >= 1 and <= Outline.MostCorners } c
                    && c.All(IsPoint)
                    && (d.Marks ?? []).All(m => m is not null && IsPoint(m.At))
                );
            return sound ? drawn!.OfType<Drawn>().ToList() : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <summary>Takes a drawing to the door as one entry: all of it is kept or nothing.</summary>
    public static List<Wrong> Keep(IReadOnlyList<Drawn> drawn, Plan plan, Door door, Here here)
    {
        var wrong = new List<Wrong>();
        var known = plan.Ponds.ToDictionary(p => p.Pond.Id);
        var lines = new List<NewLine>();
        foreach (var d in drawn)
        {
            if (d.Id == 0 && Build(d, door, here, wrong) is { } fresh)
                lines.AddRange(NewPond(fresh.Pond, fresh.Place, lines.Count, here));
            else if (known.TryGetValue(d.Id, out var before))
                lines.AddRange(LinesOf(d, before, plan, here, wrong));
        }
        if (wrong.Count == 0 && lines.Count > 0)
            wrong.AddRange(
                door.Enter(new Entry(Guid.NewGuid(), here.Author, lines, [])).Remarks.Select(r => new Wrong("", r.Text))
            );
        return wrong;
    }

    // The place of a new pond names it by the number that its line is given.
    private static IEnumerable<NewLine> NewPond(Pond pond, PondPlaced place, int at, Here here) =>
        [
            new(here.Now, new PondBuilt(pond), $"{pond.Code}, drawn", null),
            new(here.Now, place, $"{pond.Code} on the plan", null)
            {
                Completed = lines => place with { PondId = lines[at] },
            },
        ];

    private static Entry BuiltEntry(Pond pond, Here here) =>
        Entry.Of(Guid.NewGuid(), here.Author, here.Now, new PondBuilt(pond), $"{pond.Code}, drawn");

    private static (Pond Pond, PondPlaced Place)? Build(Drawn d, Door door, Here here, List<Wrong> wrong)
    {
        var form = new SlipForm(
            new Dictionary<string, string> { ["Depth"] = d.Depth ?? "", ["Slope"] = d.Slope ?? "" },
            here
        );
        var outline = new Outline(Points(d));
        var kind = PondSlip.Kinds.FirstOrDefault(k => k.Key == d.Kind && k.Kind != PondKind.Split).Kind;
        var use = PondSlip.Uses.Select(u => u.Item1).FirstOrDefault(u => u == d.Use, "grow-out");
        var (depth, slope) = (
            form.Quantity("Depth", Core.Units.Measures.Length),
            form.Quantity("Slope", Core.Units.Measures.Plain)
        );
        var said = form.Remarks.Concat(outline.Check("Corners")).ToList();
        if (said.Count == 0)
        {
            var pond = NewPond(d, outline, kind, use, depth, slope);
            var place = new PondPlaced(0, outline.Middle.EastM, outline.Middle.NorthM, 0);
            said = [.. door.Preview(BuiltEntry(pond, here)).Remarks, .. FarmRules.Check(place)];
            if (said.Count == 0)
                return (pond, place);
        }
        wrong.AddRange(said.Select(r => new Wrong(d.Code ?? "", r.For(here.Hand).Text)));
        return null;
    }

    private static Pond NewPond(Drawn d, Outline outline, PondKind kind, string use, double depth, double slope) =>
        new Pond(
            0,
            (d.Code ?? "").Trim().ToUpperInvariant(),
            "",
            kind,
            new OutlinePond(outline.AboutMiddle(), depth, slope),
            use
        );

    private static List<NewLine> LinesOf(Drawn d, PondOnPlan before, Plan plan, Here here, List<Wrong> wrong)
    {
        List<NewLine> lines = [];
        void Add(Fact fact, string typed) => lines.Add(new(here.Now, fact, typed, null));
        var corners = Points(d);
        var said = before.RadiusM > 0 ? [] : new Outline(corners).Check("Corners").ToList();
        wrong.AddRange(said.Select(r => new Wrong(before.Pond.Code, r.For(here.Hand).Text)));
        if (said.Count > 0)
            return lines;
        var after = before;
        if (Moved(before, corners))
        {
            var (rebuilt, place) = Redrawing.Of(before, corners);
            if (rebuilt is not null)
                Add(new PondBuilt(rebuilt), $"{before.Pond.Code} drawn anew");
            Add(place, $"{before.Pond.Code} on the plan");
            after = FarmPlan.LayOut([(rebuilt ?? before.Pond, place)])[0];
        }
        // Marks are kept about the pond's middle: where the pond was only moved they went along and say nothing new.
        var was = plan.Marks.Where(m => m.PondId == d.Id).Select(m => before.InPond(m.Mark)).ToList();
        var now = (d.Marks ?? []).Select(m => after.InPond(new(m.Kind, m.Code ?? "", m.At![0], m.At[1]))).ToList();
        if (was.Count != now.Count || was.Zip(now).Any(p => !p.First.Lies(p.Second)))
            Add(new MarksSet(d.Id, now), $"{before.Pond.Code} marks");
        return lines;
    }

    private static bool Moved(PondOnPlan before, List<(double EastM, double NorthM)> corners)
    {
        var old = before.RadiusM > 0 ? [(before.EastM, before.NorthM)] : before.Outline;
        return old.Count != corners.Count
            || old.Zip(corners)
                .Any(p =>
                    Math.Abs(p.First.Item1 - p.Second.EastM) > 1e-6 || Math.Abs(p.First.Item2 - p.Second.NorthM) > 1e-6
                );
    }

    private static List<(double EastM, double NorthM)> Points(Drawn d) => d.Corners!.Select(p => (p[0], p[1])).ToList();

    private static bool IsPoint(double[]? p) =>
        p is { Length: 2 } && p.All(v => double.IsFinite(v) && Math.Abs(v) < 1e6);

    private static double[] Point((double EastM, double NorthM) p) => [p.EastM, p.NorthM];
}
