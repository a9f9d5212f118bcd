using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Where each pond lies on the plan, in figures.</summary>
[Needs(Permission.Setup)]
public sealed class PlanModel(Questions questions, Door door, Here here) : PageModel
{
    private const int MostFileBytes = 4_000_000;

    // What a pond of a file is taken for until it is described.
    private const double NewDepthM = 1.5,
        NewSlope = 2;
    private Dictionary<string, string> typed = [];

    public IReadOnlyList<PondOnPlan> Ponds => questions.Plan().Ponds.OrderBy(p => p.Pond.Id).ToList();

    /// <summary>What lies on the plan and is no pond.</summary>
    public IReadOnlyList<(long Line, LandmarkDrawn Fact)> Landmarks => questions.Plan().Landmarks;

    public string? Said { get; private set; }

    public string Wrong { get; private set; } = "";

    public string Problem { get; private set; } = "";

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();

    public IActionResult OnPost(string? pond, string? east, string? north, string? turn)
    {
        if (Ponds.FirstOrDefault(p => p.Pond.Code == pond) is not { } p)
            return NotFound();
        typed = new()
        {
            ["east"] = east ?? "",
            ["north"] = north ?? "",
            ["turn"] = turn ?? "",
        };
        var form = new SlipForm(typed, here);
        var place = new PondPlaced(
            p.Pond.Id,
            form.Quantity("east", Measures.Length),
            form.Quantity("north", Measures.Length),
            form.Empty("turn") ? 0 : form.Quantity("turn", Measures.Plain)
        );
        var remarks = Placed(east, north, turn, p, form, place);
        if (remarks.Count > 0)
            (Wrong, Problem, Response.StatusCode) = (
                p.Pond.Code,
                string.Join(" ", remarks.Select(r => r.Text)),
                StatusCodes.Status422UnprocessableEntity
            );
        else
            Said = $"{p.Pond.Code} has its place.";
        return Page();
    }

    private IReadOnlyList<Core.Judging.Remark> Placed(
        string? east,
        string? north,
        string? turn,
        PondOnPlan p,
        SlipForm form,
        PondPlaced place
    ) =>
        form.Remarks.Count > 0
            ? form.Remarks
            : door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    place,
                    $"{p.Pond.Code} lies {east} east, {north} north, turned {turn}"
                )
            ).Remarks;

    /// <summary>The plan as the editor takes it along.</summary>
    public string Drawing => PlanDrawing.Write(questions.Plan());

    public IReadOnlyList<string> Problems { get; private set; } = [];

    /// <summary>Sides, area and bank of an outline while it is drawn; worked out here and nowhere else.</summary>
    public IActionResult OnGetMeasure(string? corners)
    {
        if (ReadCorners(corners) is not { } outline)
            return StatusCode(StatusCodes.Status422UnprocessableEntity);
        var problem =
            outline.CornersM.Count < 3 ? null : outline.Check("Corners").FirstOrDefault()?.For(here.Hand).Text;
        var closed = outline.CornersM.Count > 2;
        return new JsonResult(
            new
            {
                sides = outline
                    .SidesM.Take(closed ? outline.CornersM.Count : outline.CornersM.Count - 1)
                    .Select(s => here.Say(s, Measures.Length with { Decimals = 1 })),
                area = closed && problem is null
                    ? $"{here.Say(outline.AreaM2, Measures.Area)} ({here.Say(outline.AreaM2, Measures.Area with { Metric = Measures.Area.Find("m2")!, Us = Measures.Area.Find("ft2")!, Decimals = 0, UsDecimals = 0 })})"
                    : "",
                bank = closed ? here.Say(outline.PerimeterM, Measures.Length with { Decimals = 0 }) : "",
                problem,
            }
        );
    }

    /// <summary>Keeps a drawing.</summary>
    public IActionResult OnPostDraw(string? plan)
    {
        if (PlanDrawing.Read(plan) is not { } drawn)
            return StatusCode(StatusCodes.Status422UnprocessableEntity);
        return new JsonResult(new { problems = PlanDrawing.Keep(drawn, questions.Plan(), door, here) });
    }

    /// <summary>Reads outlines of a GeoJSON file in: all of them or none.</summary>
    public async Task<IActionResult> OnPostImportAsync(IFormFile? file)
    {
        if (here.Farm is not { } farm)
            return Redirect("/slip/farm");
        if (file is not { Length: > 0 and <= MostFileBytes })
            Problems = [file is { Length: > 0 } ? "The file is larger than 4 MB." : "Choose a file first."];
        else
        {
            using var reader = new StreamReader(file.OpenReadStream());
            var (outlines, problems) = GeoOutlines.Read(await reader.ReadToEndAsync(), farm.Place);
            var drawn = outlines.Select(DrawnOf).ToList();
            Problems =
                problems.Count > 0
                    ? problems
                    : PlanDrawing
                        .Keep(drawn, questions.Plan(), door, here)
                        .Select(w => w.Code.Length > 0 ? $"{w.Code}: {w.Text}" : w.Text)
                        .ToList();
            Said =
                Problems.Count > 0
                    ? null
                    : $"Read in: {string.Join(", ", outlines.Select(o => $"{(o.Code.Length > 0 ? o.Code : "a new pond")} {here.Say(o.AreaM2, Measures.Area)}"))}.";
        }
        if (Problems.Count > 0)
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private PlanDrawing.Drawn DrawnOf(GeoOutline o)
    {
        var plan = questions.Plan();
        var known = plan.Ponds.FirstOrDefault(p => p.Pond.Code == o.Code);
        var marks = plan
            .Marks.Where(m => m.PondId == known?.Pond.Id)
            .Select(m => new PlanDrawing.DrawnMark(m.Mark.Kind, m.Mark.Code, [m.Mark.EastM, m.Mark.NorthM]))
            .ToArray();
        // A round tank keeps its roundness: only its middle is taken.
        var corners = known?.RadiusM > 0 ? [o.Outline.Middle] : o.Outline.CornersM;
        return new(
            known?.Pond.Id ?? 0,
            o.Code,
            known?.RadiusM ?? 0,
            corners.Select(c => new[] { c.EastM, c.NorthM }).ToArray(),
            marks,
            nameof(PondKind.Earthen),
            "grow-out",
            here.Typed(NewDepthM, Measures.Length),
            here.Typed(NewSlope, Measures.Plain)
        );
    }

    private static Outline? ReadCorners(string? text)
    {
        var pairs = (text ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries).Select(p => p.Split(' ')).ToList();
        var points = new List<(double, double)>();
        foreach (var p in pairs)
        {
            if (
                p.Length != 2
                || !double.TryParse(p[0], System.Globalization.CultureInfo.InvariantCulture, out var e)
                || !double.TryParse(p[1], System.Globalization.CultureInfo.InvariantCulture, out var n)
                || !(Math.Abs(e) < 1e6)
                || !(Math.Abs(n) < 1e6)
            )
                return null;
            points.Add((e, n));
        }
        return points.Count is >= 2 and <= Outline.MostCorners ? new(points) : null;
    }

    public IEnumerable<(string Name, string Word, string Value)> Fields(PondOnPlan p)
    {
        string Figure(string name, double si) =>
            p.Pond.Code == Wrong ? typed[name]
            : p.Placed ? here.Typed(si, Measures.Length)
            : "";
        return
        [
            ("east", "east", Figure("east", p.EastM)),
            ("north", "north", Figure("north", p.NorthM)),
            (
                "turn",
                "turn in degrees",
                p.Pond.Code == Wrong ? typed["turn"]
                : p.Placed && p.Outline.Count > 0
                    ? Math.Round(p.TurnDeg, 1).ToString(System.Globalization.CultureInfo.InvariantCulture)
                : ""
            ),
        ];
    }
}
