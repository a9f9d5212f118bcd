using Dorsk.Core.People;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;

namespace Dorsk.Web.Slips;

/// <summary>Who takes which place on the net day of a pond.</summary>
internal sealed class CrewSlip : ISlip
{
    public string Key => "crew";

    public string Title => "Roster of a net day";

    public string Button => "Save the roster";

    public bool OfPond => true;

    public string FactKind => nameof(RosterSet);

    public string Section => "";

    public string After => "/tasks";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Nobody pulls alone or in the dark without a second person on the bank. One voice says stop; a line never round a hand.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var planned = FishPlans.FishedNext(c.Story!, c.Here.Today);
        return RosterLines.Fields(c, RosterKind.NetDay, c.PondId, planned ?? c.Here.Today.AddDays(1));
    }

    public Filled Read(SlipForm form, SlipContext c) => RosterLines.Read(form, c, RosterKind.NetDay, c.PondId);
}

/// <summary>Who watches in which part of a night, and who is called.</summary>
internal sealed class NightRosterSlip : ISlip
{
    public string Key => "night-roster";

    public string Title => "Roster of a night";

    public string Button => "Save the roster";

    public bool OfPond => false;

    public string FactKind => nameof(RosterSet);

    public string Section => "";

    public string After => "/tasks";

    public Permission Needs => Permission.Manage;

    public string Caution =>
        "Who watches alone by the water sets a check-in timer. The dark hours are shared evenly among the watches that somebody takes.";

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        RosterLines.Fields(c, RosterKind.Night, null, c.Here.Today);

    public Filled Read(SlipForm form, SlipContext c) => RosterLines.Read(form, c, RosterKind.Night, null);
}

/// <summary>What both rosters share.</summary>
internal static class RosterLines
{
    public static IReadOnlyList<SlipField> Fields(SlipContext c, RosterKind kind, long? pond, DateOnly day)
    {
        // A roster that stands for the day is gone on with.
        var old = c.Old<RosterSet>()
            ?? c.Questions.Rosters(day)
                .Select(r => r.Roster)
                .FirstOrDefault(r => r.Kind == kind && r.PondId == pond && r.Day == day);
        var people = TaskSlip.People(c).ToList();
        return
        [
            c.Day("Day", kind == RosterKind.Night ? "Evening of" : "Day of the net", old?.Day ?? day),
            .. RosterRole
                .Of(kind)
                .Select(r =>
                    c.Choice(
                            r.Key,
                            r.Name,
                            old?.Places.Where(p => p.Role == r.Key)
                                .Select(p => TaskSlip.Text(p.PersonId))
                                .FirstOrDefault()
                                ?? "",
                            [("", "nobody"), .. people]
                        )
                        .WithHint(r.Does)
                ),
        ];
    }

    public static Filled Read(SlipForm form, SlipContext c, RosterKind kind, long? pond)
    {
        var people = c.Questions.People();
        var places = RosterRole
            .Of(kind)
            .Where(r => !form.Empty(r.Key))
            .Select(r => new RosterPlace(
                r.Key,
                form.Choice(r.Key, [.. people.Select(p => (TaskSlip.Text(p.PersonId), p.PersonId))], "person", 0L)
            ))
            .ToList();
        var roster = new RosterSet(kind, pond, form.Day("Day"), places);
        var names = places.Select(p => people.FirstOrDefault(x => x.PersonId == p.PersonId)?.Name).OfType<string>();
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [roster],
            $"roster {form.Text("Day")} {string.Join(", ", names.Distinct())}",
            [
                .. RosterShown
                    .Hours(roster, c.Here)
                    .Select(w => new Computed(
                        RosterRole.OfNight.First(r => r.Key == w.Role).Name,
                        RosterShown.Span(w)
                    )),
            ]
        );
    }
}
