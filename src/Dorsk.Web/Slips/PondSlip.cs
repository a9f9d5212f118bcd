using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Web.Slips;

/// <summary>A new pond, or one described anew.</summary>
internal sealed class PondSlip : ISlip
{
    internal static readonly (string Key, PondKind Kind, string Word)[] Kinds =
    [
        ("Earthen", PondKind.Earthen, "earthen pond"),
        ("Lined", PondKind.Lined, "lined pond"),
        ("Tank", PondKind.Tank, "tank"),
        ("Raceway", PondKind.Raceway, "raceway"),
        ("Cage", PondKind.Cage, "cage"),
        ("Hapa", PondKind.Hapa, "hapa"),
        ("Split", PondKind.Split, "split pond"),
    ];

    private static readonly (string, string)[] Shapes =
    [
        ("", "by what is typed"),
        ("rectangle", "rectangle with sloped banks"),
        ("round", "round tank, upright walls"),
        ("outline", "outline with sloped banks"),
        ("mean", "outline and mean depth"),
        ("table", "outline and a table of volumes"),
    ];
    internal static readonly (string, string)[] Uses =
    [
        ("grow-out", "grow-out"),
        ("nursery", "nursery"),
        ("broodstock", "broodstock"),
        ("settling", "settling, no fish"),
    ];

    // None, then the colours that may be wanted.
    private static readonly (string, string)[] Colours =
    [
        ("", "what is usual for its kind"),
        .. ColourTarget.Steps.Select(s => (s.ToString(CultureInfo.InvariantCulture), Parameter.Colour.StepAt(s))),
    ];

    public string Key => "pond";

    public Permission Needs => Permission.Setup;

    public string Title => "New pond";

    public string Button => "Save this pond";

    public bool OfPond => false;

    public string FactKind => nameof(PondBuilt);

    public string Section => "";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var p = c.Old<PondBuilt>()?.Pond;
        var r = p?.Shape as SlopedRectangle;
        return
        [
            c.Words("Code", "Code", p?.Code ?? FreeCode(c)).WithHint("short, as it stands on the bank: P7"),
            c.Choice("Kind", "Kind", p?.Kind.ToString() ?? "Earthen", Kinds.Select(k => (k.Key, k.Word)).ToList()),
            c.Choice("Use", "Use", p?.Use ?? "grow-out", Uses),
            c.Heading("Its size"),
            c.Quantity("Area", "Water surface when full", Measures.Area).WithHint("or its sides, or its diameter"),
            c.Quantity("Length", "Length of the full water", Measures.Length, r?.LengthM),
            c.Quantity("Width", "Width of the full water", Measures.Length, r?.WidthM)
                .WithHint("not known? pace it: Workbench, size of a pond"),
            c.Quantity("Diameter", "Diameter", Measures.Length, (p?.Shape as RoundTank)?.DiameterM)
                .WithHint("round ones"),
            c.Quantity("Depth", "Depth when full", Measures.Length, p?.Shape.FullDepthM)
                .WithHint("the top of the staff gauge"),
            .. Exact(c, p),
        ];
    }

    // What few ponds need, or what is usual for the kind.
    private static IEnumerable<SlipField> Exact(SlipContext c, Pond? p)
    {
        var slope = (p?.Shape as SlopedRectangle)?.Slope ?? (p?.Shape as OutlinePond)?.Slope;
        var corners = p?.Shape is null or SlopedRectangle or RoundTank ? "" : Write(c, p.Shape.CornersM);
        return
        [
            c.Fold("Name, exact shape, colour wanted, split ponds"),
            c.Words("PondName", "Name, if it has one", p?.Name ?? ""),
            c.Day("Day", "In use since", c.Here.Zone.DayOf(c.Corrects?.Row.Happened ?? c.Here.Now)),
            ShapeField(c, p),
            c.Quantity("Slope", "Bank slope", Measures.Plain, slope is { } s ? c.Here.Typed(s, 2) : "")
                .WithHint("across for 1 down; empty: 2 for earthen ponds, 0 for walls"),
            c.Words("Corners", "Corners", corners)
                .WithHint(
                    "outlines: east north, in the order of a walk round the bank: 0 0; 40 0; 40 25; 0 25. Or draw it: Setup, plan"
                ),
            c.Quantity("MeanDepth", "Mean depth", Measures.Length, (p?.Shape as MeanDepthPond)?.MeanDepth)
                .WithHint("only for outline and mean depth"),
            TableField(c, p),
            c.Quantity("Landing", "Depth at the corner where the net is landed", Measures.Length, p?.LandingDepthM)
                .WithHint("the shallow one; mark it on the plan too"),
            c.Choice(
                    "Colour",
                    "Colour of the water wanted",
                    p?.ColourTarget?.ToString(CultureInfo.InvariantCulture) ?? "",
                    Colours
                )
                .WithHint("another colour is pointed out; cover hours follow it"),
            c.Quantity(
                    "FishShare",
                    "Split pond: fish zone, share of the area",
                    Measures.Share,
                    p?.Split is { } split ? Lines.Plain(c, split.FishShare * 100, Measures.Share) : ""
                )
                .WithHint("15 to 20 is usual"),
            c.Quantity("Paddle", "Split pond: the paddle moves", Measures.Flow, p?.Split?.PaddleM3H),
        ];
    }

    // The next of P1, P2, …
    private static string FreeCode(SlipContext c)
    {
        var taken = c.Questions.Ponds().Select(p => p.Code).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return Enumerable.Range(1, taken.Count + 1).Select(n => $"P{n}").First(code => !taken.Contains(code));
    }

    private static SlipField TableField(SlipContext c, Pond? p) =>
        c.Words(
                "Table",
                "Volumes",
                p?.Shape is TablePond table
                    ? string.Join(
                        "; ",
                        table.Levels.Select(l =>
                            c.Here.Typed(l.LevelM, Measures.Length) + " " + c.Here.Typed(l.VolumeM3, Measures.Volume)
                        )
                    )
                    : ""
            )
            .WithHint(
                $"only for a table: gauge level and volume, {Symbol(c, Measures.Length)} and {Symbol(c, Measures.Volume)}: {c.Here.Figure(0.5, 1)} 300; 1 700"
            );

    private static SlipField ShapeField(SlipContext c, Pond? p) =>
        c.Choice(
            "Shape",
            "Shape",
            p?.Shape switch
            {
                RoundTank => "round",
                OutlinePond => "outline",
                MeanDepthPond => "mean",
                TablePond => "table",
                SlopedRectangle => "rectangle",
                _ => "",
            },
            Shapes
        );

    public Filled Read(SlipForm form, SlipContext c)
    {
        var kind = form.Choice("Kind", Kinds.Select(k => (k.Key, k.Kind)).ToList(), "kind", PondKind.Earthen);
        var shape = Body(form, kind);
        var use = form.Choice("Use", Uses.Select(u => (u.Item1, u.Item1)).ToList(), "use", "grow-out");
        var split =
            kind == PondKind.Split
                ? new SplitZones(
                    form.Quantity("FishShare", Measures.Share) / 100,
                    form.Quantity("Paddle", Measures.Flow)
                )
                : null;
        var pond = ReadPond(form, c, shape, kind, use, split);
        // The day it came into use counts from its first minute, so that fish of that morning find it.
        var built = c.Here.Zone.At(form.Day("Day"), TimeOnly.MinValue);
        var sound = form.Remarks.Count == 0 && !FarmRules.Check(pond with { Code = "X" }, []).Any();
        return new(
            built,
            [new PondBuilt(pond)],
            $"{pond.Code} {pond.Name}".Trim(),
            sound ? [.. Figures(c.Here, pond)] : []
        );
    }

    private static Pond ReadPond(
        SlipForm form,
        SlipContext c,
        PondShape shape,
        PondKind kind,
        string use,
        SplitZones? split
    ) =>
        new Pond(
            c.Old<PondBuilt>()?.Pond.Id ?? 0,
            form.Text("Code").ToUpperInvariant(),
            form.Text("PondName"),
            kind,
            shape,
            use,
            split
        )
        {
            LandingDepthM = form.MaybeQuantity("Landing", Measures.Length),
            ColourTarget = form.Choice(
                "Colour",
                [
                    .. Colours.Select(x =>
                        (x.Item1, x.Item1.Length == 0 ? (int?)null : int.Parse(x.Item1, CultureInfo.InvariantCulture))
                    ),
                ],
                "colour",
                null
            ),
        };

    /// <summary>Figures of a pond's body as it is described.</summary>
    internal static IEnumerable<Computed> Figures(Here here, Pond pond)
    {
        var shape = pond.Shape;
        yield return new(
            "Water surface when full",
            here.Say(
                shape.FullAreaM2,
                pond.ByVolume ? Measures.Area with { Metric = Measures.Area.Find("m2")!, Decimals = 0 } : Measures.Area
            )
        );
        yield return new("Volume when full", here.Say(shape.FullVolumeM3, Measures.Volume));
        yield return new("Mean depth", here.Say(shape.MeanDepthM, Measures.Length));
        if (pond.Split is { } split)
            yield return new(
                "Fish zone, water once round",
                $"{here.Say(split.FishShare * shape.FullVolumeM3, Measures.Volume)} in {here.Figure(split.HoursOnceRound(split.FishShare * shape.FullVolumeM3), 1)} h"
            );
    }

    private static PondShape Body(SlipForm form, PondKind kind)
    {
        var shape = form.Empty("Shape") ? ByWhatIsTyped(form) : form.Text("Shape");
        if (shape == "table")
            return new TablePond(Outline(form), Levels(form));
        var depth = form.Quantity("Depth", Measures.Length);
        return shape switch
        {
            "round" => new RoundTank(form.Quantity("Diameter", Measures.Length), depth),
            "outline" => new OutlinePond(Outline(form), depth, Slope(form, kind)),
            "mean" => new MeanDepthPond(Outline(form), form.Quantity("MeanDepth", Measures.Length), depth),
            "area" => UsualShape.OfArea(kind, form.Quantity("Area", Measures.Area), depth, Slope(form, kind)),
            _ => new SlopedRectangle(
                form.Quantity("Length", Measures.Length),
                form.Quantity("Width", Measures.Length),
                depth,
                Slope(form, kind)
            ),
        };
    }

    private static string ByWhatIsTyped(SlipForm form) =>
        new[] { ("Corners", "outline"), ("Diameter", "round"), ("Length", "rectangle"), ("Width", "rectangle") }
            .FirstOrDefault(f => !form.Empty(f.Item1))
            .Item2
        ?? "area";

    private static double Slope(SlipForm form, PondKind kind) =>
        form.MaybeQuantity("Slope", Measures.Plain) ?? UsualShape.Slope(kind);

    // Without corners the outline is the rectangle of length and width.
    private static Outline Outline(SlipForm form)
    {
        if (form.Empty("Corners"))
        {
            // A side that cannot be read has its remark; a metre stands for it so that the rest can still be looked at.
            double Side(string field) => form.Quantity(field, Measures.Length) is var m && double.IsFinite(m) ? m : 1;
            return new(new SlopedRectangle(Side("Length"), Side("Width"), 1, 0).CornersM);
        }
        var corners = Pairs(form, "Corners", Measures.Length, Measures.Length);
        var outline = new Outline(corners);
        // Crossings are named where they were typed, before the outline is moved about its middle.
        var wrong = form.Remarks.Count > 0 ? [] : outline.Check("Corners").ToList();
        foreach (var remark in wrong)
            form.Refuse(remark);
        return wrong.Count > 0 || form.Remarks.Count > 0 ? outline : outline.AboutMiddle();
    }

    private static List<(double, double)> Levels(SlipForm form) =>
        Pairs(form, "Table", Measures.Length, Measures.Volume);

    /// <summary>Pairs of figures parted by semicolons, in SI.</summary>
    internal static List<(double, double)> Pairs(SlipForm form, string field, Measure first, Measure second)
    {
        var read = new List<(double, double)>();
        foreach (
            var (pair, i) in form.Text(field)
                .Split([';', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Select((p, i) => (p, i))
        )
        {
            var parts = pair.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
            if (
                parts.Length == 2
                && QuantityText.Read(parts[0], first, form.Here.Hand).Si is { } x
                && QuantityText.Read(parts[1], second, form.Here.Hand).Si is { } y
            )
                read.Add((x, y));
            else
            {
                form.Refuse(
                    field,
                    $"Pair {i + 1}, “{pair}”: two figures with a space between them, pairs parted by semicolons."
                );
                break;
            }
        }
        if (read.Count == 0 && form.Remarks.All(r => r.Field != field))
            form.Refuse(field, "Type the pairs of figures here, parted by semicolons.");
        return read;
    }

    /// <summary>Pairs of lengths as they would be typed.</summary>
    internal static string Write(SlipContext c, IEnumerable<(double X, double Y)> pairs) =>
        string.Join(
            "; ",
            pairs.Select(p => c.Here.Typed(p.X, Measures.Length) + " " + c.Here.Typed(p.Y, Measures.Length))
        );

    private static string Symbol(SlipContext c, Measure measure) => measure.In(c.Here.Hand).Symbol;
}
