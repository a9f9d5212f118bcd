using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>What can be marked in a pond on the plan.</summary>
public enum MarkKind
{
    /// <summary>Where water comes in.</summary>
    Inlet,

    /// <summary>Where it leaves, the deepest place.</summary>
    Drain,

    /// <summary>An aerator.</summary>
    Aerator,

    /// <summary>A probe.</summary>
    Probe,

    /// <summary>The shallow corner where the net is landed.</summary>
    Landing,

    /// <summary>A slot for a screen.</summary>
    Screen,
}

/// <summary>A mark in a pond.</summary>
/// <param name="Kind">What it marks.</param>
/// <param name="Code">Code, such as A1; may be empty.</param>
/// <param name="EastM">Metres east of the pond's middle, before its turn.</param>
/// <param name="NorthM">Metres north of it.</param>
public sealed record PlanMark(MarkKind Kind, string Code, double EastM, double NorthM)
{
    private const double SameM = 0.001;

    /// <summary>Side or corner of the pond it lies at, seen from the middle: north-east, west; the middle itself within two metres.</summary>
    public string Corner
    {
        get
        {
            var north =
                NorthM > MiddleM ? "north"
                : NorthM < -MiddleM ? "south"
                : "";
            var east =
                EastM > MiddleM ? "east"
                : EastM < -MiddleM ? "west"
                : "";
            return (north, east) switch
            {
                ("", "") => "middle",
                ("", _) => east,
                (_, "") => north,
                _ => $"{north}-{east}",
            };
        }
    }

    private const double MiddleM = 2;

    /// <summary>Whether another mark is the same one in the same place, to a millimetre.</summary>
    public bool Lies(PlanMark other) =>
        Kind == other.Kind
        && Code == other.Code
        && Math.Abs(EastM - other.EastM) < SameM
        && Math.Abs(NorthM - other.NorthM) < SameM;
}

/// <summary>All marks of a pond at once; valid from its instant.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Marks">The marks.</param>
public sealed record MarksSet(long PondId, IReadOnlyList<PlanMark> Marks) : Fact;
