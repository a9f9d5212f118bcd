using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Time;
using Dorsk.Farm.Ask;

namespace Dorsk.Web.People;

/// <summary>A place of a roster as it is shown.</summary>
/// <param name="Role">The role.</param>
/// <param name="Who">Who takes it; empty for nobody.</param>
/// <param name="Hours">Hours of a watch; empty for the others.</param>
public readonly record struct RosterLine(RosterRole Role, string Who, string Hours);

/// <summary>A roster as it is shown: its places, and what speaks against it.</summary>
/// <param name="Line">Line of the log.</param>
/// <param name="Set">The roster.</param>
/// <param name="Pond">Code of the pond of a net day; empty for a night.</param>
/// <param name="Lines">Places in their order.</param>
/// <param name="Against">What speaks against it, in words: places that nobody takes, long watches, doubts.</param>
public sealed record RosterShown(
    long Line,
    RosterSet Set,
    string Pond,
    IReadOnlyList<RosterLine> Lines,
    IReadOnlyList<string> Against
)
{
    /// <summary>Rosters of today and the days to come, the next first.</summary>
    /// <param name="questions">The farm.</param>
    /// <param name="here">Who asks, and when.</param>
    public static IReadOnlyList<RosterShown> Ahead(Questions questions, Here here)
    {
        // A night that began yesterday is still watched until the sun is up.
        var first = here.Zone.LocalAt(here.Now).Hour < 12 ? here.Today.AddDays(-1) : here.Today;
        var standing = questions.Rosters(first.AddDays(-1));
        var people = questions.People();
        var signed = questions.TasksSigned().Select(s => s.Fact).ToList();
        var ponds = questions.Ponds().ToDictionary(p => p.Id, p => p.Code);
        return
        [
            .. standing
                .Where(r => r.Roster.Day >= (r.Roster.Kind == RosterKind.Night ? first : here.Today))
                .OrderBy(r => r.Roster.Day)
                .ThenBy(r => r.Roster.Kind)
                .Select(r =>
                    Of(
                        r,
                        new(people, signed, [.. standing.Where(o => o.Line != r.Line).Select(o => o.Roster)]),
                        r.Roster.PondId is { } id ? ponds.GetValueOrDefault(id, "") : "",
                        here
                    )
                ),
        ];
    }

    /// <summary>Hours of the watches of a night; none for a net day.</summary>
    /// <param name="roster">The roster.</param>
    /// <param name="here">The farm.</param>
    public static IReadOnlyList<WatchHours> Hours(RosterSet roster, Here here)
    {
        if (roster.Kind != RosterKind.Night || here.Farm is not { } farm)
            return [];
        SunDay Sun(DateOnly day) =>
            SunTimes.On(farm.Place, day, here.Zone.OffsetHoursAt(here.Zone.At(day, new(12, 0))));
        return NightWatches.Of(
            roster,
            here.Zone.LocalAt(Sun(roster.Day).Sunset!.Value),
            here.Zone.LocalAt(Sun(roster.Day.AddDays(1)).Sunrise!.Value)
        );
    }

    /// <summary>A watch's hours in words.</summary>
    /// <param name="w">The watch.</param>
    public static string Span(WatchHours w) =>
        string.Create(CultureInfo.InvariantCulture, $"{w.From:HH:mm} to {w.To:HH:mm}");

    private static RosterShown Of((long Line, RosterSet Roster) r, RosterKnown known, string pond, Here here)
    {
        var hours = Hours(r.Roster, here);
        var lines = RosterRole
            .Of(r.Roster.Kind)
            .Select(role => new RosterLine(
                role,
                r.Roster.Places.Where(p => p.Role == role.Key).Select(p => known.NameOf(p.PersonId)).FirstOrDefault()
                    ?? "",
                hours.Where(w => w.Role == role.Key).Select(Span).FirstOrDefault() ?? ""
            ))
            .Where(l => l.Role.Must || l.Who.Length > 0)
            .ToList();
        var open = RosterFinding.Open(r.Roster).Select(o => $"{o.Name}: nobody yet");
        var tired = hours
            .Where(w => w.IsLong)
            .Select(w =>
                $"{Span(w)} is more than {here.Hand.Count(NightWatches.LongestH)} hours: share the night among more people"
            );
        return new(
            r.Line,
            r.Roster,
            pond,
            lines,
            [.. open, .. tired, .. RosterFinding.Of(r.Roster, known).Select(f => f.Text)]
        );
    }
}
