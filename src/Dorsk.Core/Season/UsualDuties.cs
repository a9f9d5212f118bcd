using Dorsk.Core.Ponds;
using Dorsk.Core.Water;

namespace Dorsk.Core.Season;

/// <summary>A recurring task that is usual for a body of water, to be taken or left.</summary>
/// <param name="What">What to do.</param>
/// <param name="EveryDays">Usual days between, a starting value.</param>
/// <param name="At">Usual hour.</param>
/// <param name="Reason">Why.</param>
public sealed record UsualDuty(string What, int EveryDays, TimeOnly At, string Reason);

/// <summary>What is usually kept up in a body of water. Days between are starting values of the trade; the farm sets its own.</summary>
public static class UsualDuties
{
    private static readonly TimeOnly Early = new(8, 0),
        Noon = new(12, 0),
        Late = new(16, 0);

    /// <summary>How the task of covering a pond begins; heavy rain asks for it too.</summary>
    public const string CoverOver = "cover over midday";

    private const string ForClear = ", for clear water",
        ForGreen = ", for green water";

    /// <summary>How the task of siphoning begins.</summary>
    public const string Siphon = "siphon the floor";

    /// <summary>The task that heat and rain bring forward.</summary>
    public const string ChangeWater = "change a part of the water";

    private static readonly IReadOnlyList<(PondKind[] Of, UsualDuty Duty)> Table =
    [
        (
            [PondKind.Tank, PondKind.Raceway],
            new(
                "test pH, ammonia, nitrite, alkalinity",
                1,
                Early,
                "indoors water changes within a day; the readings close it"
            )
        ),
        (
            [PondKind.Earthen, PondKind.Lined, PondKind.Split],
            new(
                "test pH, ammonia, alkalinity, nitrite",
                7,
                Late,
                "in the afternoon, when pH is highest; the readings close it"
            )
        ),
        (
            [PondKind.Tank],
            new(Siphon, 2, Early, "droppings and left feed rot into ammonia; one to three days, every day with fry")
        ),
        (
            [PondKind.Tank],
            new(
                ChangeWater,
                3,
                Early,
                "no mud and no bloom digest the waste; sooner after rain or in heat, when salinity and pH move"
            )
        ),
        (
            [PondKind.Tank],
            new(
                "calm corner: fish that rest out of the current",
                7,
                Late,
                "sick fish need a place without stream and bubbles"
            )
        ),
        (
            [PondKind.Lined],
            new(
                ChangeWater,
                7,
                Early,
                "a liner has no soil life to digest the waste; sooner after rain or in heat, when salinity and pH move"
            )
        ),
        (
            [PondKind.Lined],
            new("look along the liner for holes and slack", 14, Late, "a small hole is mended from inside in minutes")
        ),
        (
            [PondKind.Earthen, PondKind.Split],
            new(
                "mow the banks, keep grass off the water's edge",
                21,
                Late,
                "roots hold the bank; tall edges hide rats, snakes and burrows"
            )
        ),
        (
            [PondKind.Earthen, PondKind.Split],
            new(
                ChangeWater,
                14,
                Early,
                "only where colour or smell asks for it: soil digests much; sooner after rain or in heat"
            )
        ),
        (
            [PondKind.Lined, PondKind.Tank],
            new(
                "give bacteria that clean the water",
                7,
                Late,
                "as on its label; never with a medicine that kills bacteria"
            )
        ),
        (
            [PondKind.Tank, PondKind.Lined],
            new(CoverOver + ForClear, 1, new(9, 30), "shade starves algae; open it at 15:30")
        ),
        (
            [PondKind.Tank, PondKind.Lined],
            new("open the cover" + ForClear, 1, new(15, 30), "six hours of shade for clear water")
        ),
        ([PondKind.Tank, PondKind.Lined], new(CoverOver + ForGreen, 1, new(11, 0), "some shade; open it at 13:30")),
        (
            [PondKind.Tank, PondKind.Lined],
            new("open the cover" + ForGreen, 1, new(13, 30), "two and a half hours of shade keep the green")
        ),
        (
            [PondKind.Lined],
            new("cut grass away from the liner's edge", 21, Late, "roots and stems pierce it; mower strings cut it")
        ),
        (
            [PondKind.Cage, PondKind.Hapa],
            new("clean the net and feel for holes", 7, Late, "a fouled net lets no oxygen in; a hole lets the fish out")
        ),
        (
            [PondKind.Earthen, PondKind.Lined, PondKind.Split, PondKind.Raceway],
            new("rake screens and drain", 2, Early, "a blocked screen bursts")
        ),
    ];

    /// <summary>For the whole farm.</summary>
    public static readonly IReadOnlyList<UsualDuty> OfFarm =
    [
        new(
            "test the source and the second source",
            90,
            Early,
            "what comes in decides what can be kept; neighbours and seasons change it"
        ),
        new("start the generator under load", 30, Late, "crowded water has minutes when the power fails"),
        new("look at fences, lids and climbing-out ropes", 30, Late, "children and animals drown in ponds"),
    ];

    /// <summary>For a body of water.</summary>
    public static IReadOnlyList<UsualDuty> For(PondKind kind) =>
        [.. Table.Where(t => t.Of.Contains(kind)).Select(t => t.Duty)];

    /// <summary>The same for what is in it: fry want the floor clean every day, a covered tank every third.</summary>
    /// <param name="kind">Body of water.</param>
    /// <param name="fry">Whether fry stand in it.</param>
    /// <param name="covered">Whether it is covered.</param>
    /// <param name="colourTarget">Colour of the water wanted in it, a step of the scale; null: none is.</param>
    public static IReadOnlyList<UsualDuty> For(PondKind kind, bool fry, bool covered, int? colourTarget) =>
        [
            .. For(kind)
                .Where(d => colourTarget is not { } target || IsCoverFor(target, d.What))
                .Select(d => d.What == Siphon ? d with { EveryDays = SiphonDays(fry, covered) } : d),
        ];

    // Hours of the cover follow the colour that is wanted; of brown water none is kept covered.
    private static bool IsCoverFor(int target, string what)
    {
        if (!what.EndsWith(ForClear, StringComparison.Ordinal) && !what.EndsWith(ForGreen, StringComparison.Ordinal))
            return true;
        var hours = ColourTarget.CoverHours(target);
        return hours is not null
            && what.EndsWith(hours == ColourTarget.CoverHours(1) ? ForClear : ForGreen, StringComparison.Ordinal);
    }

    private static int SiphonDays(bool fry, bool covered)
    {
        if (fry)
            return 1;
        return covered ? 3 : 2;
    }
}
