using Dorsk.Core.Growth;
using Dorsk.Core.People;

namespace Dorsk.Web.Slips;

/// <summary>Throws of a cast net for practice.</summary>
internal sealed class NetPracticeSlip : ISlip
{
    public string Key => "net-practice";

    public string Title => "Practice with the cast net";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(CastPractised);

    public string Section => "";

    public string After => "/tasks/cast";

    public string Caution => SamplingPlan.CastRope + " On land or from a firm bank; not alone at night.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<CastPractised>();
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Person",
                "Who",
                TaskSlip.Text(f?.PersonId ?? c.Here.Person?.PersonId),
                [("", "choose"), .. TaskSlip.People(c)]
            ),
            c.Whole("Throws", "Throws", f?.Throws),
            c.Whole("Opened", "Of those, opened whole", f?.Opened),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new CastPractised(
            TaskSlip.Person(form, c, "Person") ?? 0,
            form.Whole("Throws", "throws"),
            form.Whole("Opened", "throws")
        );
        return new(form.When(), [fact], $"net practice {fact.Opened} of {fact.Throws}", []);
    }
}
