using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;

namespace Dorsk.Web.Slips;

/// <summary>Buyer, truck, ice, tanks, permit and crew of a harvest.</summary>
internal sealed class ArrangeSlip : ISlip
{
    private static readonly (string, ArrangedState)[] States =
    [
        (nameof(ArrangedState.NotYet), ArrangedState.NotYet),
        (nameof(ArrangedState.Booked), ArrangedState.Booked),
        (nameof(ArrangedState.NotNeeded), ArrangedState.NotNeeded),
        (nameof(ArrangedState.FellThrough), ArrangedState.FellThrough),
    ];

    public string Key => "arrange";

    public Permission Needs => Permission.Manage;

    public string Title => "Arrange a harvest";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(HarvestArranged);

    public string Section => "harvest";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<HarvestArranged>();
        var on = old?.On ?? PlannedOn(c);
        return
        [
            c.Day("On", "Day of the harvest", on),
            .. Things(old).SelectMany(t => FieldsOf(c, t, old ?? Said(c, t, on))),
        ];
    }

    private static IEnumerable<SlipField> FieldsOf(SlipContext c, Arranged thing, HarvestArranged? said) =>
        [
            c.Choice(
                thing.ToString(),
                Pages.Words.Sentence(HarvestArranged.Name(thing)),
                (said?.State ?? ArrangedState.NotYet).ToString(),
                [
                    (nameof(ArrangedState.NotYet), "not yet"),
                    (nameof(ArrangedState.Booked), "booked"),
                    (nameof(ArrangedState.NotNeeded), "not needed"),
                    (nameof(ArrangedState.FellThrough), "fell through"),
                ]
            ),
            c.Words(
                thing + "Who",
                $"{Pages.Words.Sentence(HarvestArranged.Name(thing))}: who, how much, when",
                said?.Who ?? ""
            ),
        ];

    private static Arranged[] Things(HarvestArranged? old) => old is { } one ? [one.Thing] : Enum.GetValues<Arranged>();

    private static DateOnly PlannedOn(SlipContext c) =>
        c.Story!.Plans.Harvests.Where(h => h.Fact.On >= c.Here.Today).Min(h => (DateOnly?)h.Fact.On) ?? c.Here.Today;

    private static HarvestArranged? Said(SlipContext c, Arranged thing, DateOnly on) =>
        c.Story!.Net.Arranged.LastOrDefault(a => a.Thing == thing && a.On == on);

    public Filled Read(SlipForm form, SlipContext c)
    {
        var on = form.Day("On");
        var old = c.Old<HarvestArranged>();
        List<Fact> facts = [];
        foreach (var t in Things(old))
        {
            var fact = new HarvestArranged(
                c.PondId,
                on,
                t,
                form.Choice(t.ToString(), States, "state", ArrangedState.NotYet),
                form.Text(t + "Who")
            );
            // Only what is new is written down.
            var said = Said(c, t, on);
            if (old is not null || (said is null ? fact is not { State: ArrangedState.NotYet, Who: "" } : fact != said))
                facts.Add(fact);
        }
        if (facts.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("On", "Nothing is new. Say what was booked, or what is not needed.");
        return new(c.Corrects?.Row.Happened ?? c.Here.Now, facts, $"{c.Story!.Pond.Code} arranged", []);
    }
}
