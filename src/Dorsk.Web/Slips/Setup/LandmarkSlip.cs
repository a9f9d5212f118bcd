using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A creek, a track or a shed on the plan, point by point on the plan's metre grid.</summary>
internal sealed class LandmarkSlip : ISlip
{
    private static readonly (string, string)[] Kinds = [("creek", "creek"), ("track", "track"), ("shed", "shed")];

    public string Key => "landmark";

    public string Title => "On the plan";

    public string Button => "Draw it";

    public bool OfPond => false;

    public string FactKind => nameof(LandmarkDrawn);

    public string Section => "";

    public string After => "/setup/plan";

    public Permission Needs => Permission.Setup;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<LandmarkDrawn>();
        return
        [
            c.Choice("Kind", "What", f?.Kind ?? "creek", Kinds),
            c.Words("Name", "Name", f?.Name ?? "").WithHint("stands beside it; may be empty"),
            c.Words("Points", "Points", f is null ? "" : PondSlip.Write(c, f.PointsM))
                .WithHint(
                    "east north on the plan's grid, along its course, or round the shed: -20 120; -6 119; -3 131"
                ),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new LandmarkDrawn(
            form.Choice("Kind", Kinds, "kind", "creek"),
            form.Text("Name"),
            PondSlip.Pairs(form, "Points", Measures.Length, Measures.Length)
        );
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, [fact], $"{fact.Kind} {fact.Name}".Trim(), []);
    }
}
