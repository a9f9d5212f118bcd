namespace Dorsk.Core.People;

/// <summary>A place on a roster.</summary>
/// <param name="Key">Its name in forms and books.</param>
/// <param name="Name">In words.</param>
/// <param name="Does">What whoever takes it does.</param>
/// <param name="Task">The task that is signed for before somebody does it alone.</param>
/// <param name="Must">Whether no roster is whole without it.</param>
public sealed record RosterRole(string Key, string Name, string Does, string Task, bool Must)
{
    /// <summary>Places at the net (extension leaflets on seining: two ends, lead line, boat, pump, tally).</summary>
    public static IReadOnlyList<RosterRole> AtNet { get; } =
    [
        new("leader", "Leads", "one voice: says pull, says stop", "seine", true),
        new("end1", "End of the net, near bank", "pulls along the bank, keeps the line low", "seine", true),
        new("end2", "End of the net, far bank", "pulls level with the other end", "seine", true),
        new("line", "Lead line", "keeps it on the ground, frees snags; never a knot round a hand", "seine", true),
        new("boat", "Boat", "behind the net, lifts the float line; life vest", "seine", false),
        new(
            "pump",
            "Pump and oxygen",
            "fresh water and air at the bag; reads oxygen every ten minutes",
            "oxygen",
            true
        ),
        new("tally", "Tally", "scale, baskets, count; writes at once", "", true),
    ];

    /// <summary>Parts of a night, in order, and who is called.</summary>
    public static IReadOnlyList<RosterRole> OfNight { get; } =
    [
        new("watch1", "First watch", "reads the ponds on the night board, all aerators turn", "night", true),
        new("watch2", "Second watch", "the same", "night", false),
        new("watch3", "Third watch", "the same", "night", false),
        new("watch4", "Fourth watch", "the same, till sunrise", "night", false),
        new("call", "On call", "sleeps, answers the phone, comes when called", "night", true),
    ];

    /// <summary>Places of a kind of roster.</summary>
    /// <param name="kind">The kind.</param>
    public static IReadOnlyList<RosterRole> Of(RosterKind kind) => kind == RosterKind.NetDay ? AtNet : OfNight;
}
