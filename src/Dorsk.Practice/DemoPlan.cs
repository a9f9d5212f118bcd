namespace Dorsk.Practice;

/// <summary>Where things lie on Wattlebend Ponds, metres east and north.</summary>
internal static class DemoPlan
{
    public static readonly (string Code, double EastM, double NorthM, double TurnDeg)[] Places =
    [
        ("T1", 2, 178, 0),
        ("T2", 2, 163, 0),
        ("T3", 2, 148, 0),
        ("N1", 46, 166, -12),
        ("N2", 40, 130, -12),
        ("P1", 112, 146, -8),
        ("P2", 190, 139, -2),
        ("P3", 275, 142, 6),
        ("P6", 102, 52, -9),
        ("P5", 176, 45, -3),
        ("P4", 249, 46, 5),
        ("B1", 24, 64, -14),
        ("S1", 322, 56, 12),
    ];

    public static readonly (string Kind, string Name, (double, double)[] Points)[] Landmarks =
    [
        ("track", "", [(-60, 124), (-4, 112), (60, 98), (140, 92), (220, 93), (300, 101), (356, 112), (420, 126)]),
        (
            "creek",
            "Wattle Creek",
            [
                (-70, 34),
                (-10, 20),
                (40, 10),
                (90, 3),
                (140, -2),
                (200, -4),
                (260, 1),
                (310, 14),
                (345, 30),
                (375, 52),
                (430, 70),
            ]
        ),
        ("shed", "shed", [(-22, 122), (-6, 119), (-3, 131), (-19, 134)]),
    ];
}
