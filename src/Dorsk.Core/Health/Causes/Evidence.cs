using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Health;

/// <summary>How many points a sign gives a cause.</summary>
/// <param name="Sign">Key of the sign.</param>
/// <param name="Cause">Key of the cause.</param>
/// <param name="Seen">Points when it is seen; under 0 lowers the cause.</param>
/// <param name="NotSeen">Points when it was looked for and is not there.</param>
public sealed record Evidence(string Sign, string Cause, int Seen, int NotSeen)
{
    /// <summary>Where the points come from.</summary>
    public const string Source =
        "Signs and causes of the trade (Noga 2010; Boyd and Tucker 1998; Schwedler and Tucker 1983); points are judged starting values";

    /// <summary>All of it.</summary>
    public static IReadOnlyList<Evidence> All { get; } =
    [.. Csv.Embedded("evidence.csv").Select(r => new Evidence(r["sign"], r["cause"], N(r["seen"]), N(r["not_seen"])))];

    private static readonly Dictionary<(string Sign, string Cause), Evidence> Known = All.ToDictionary(e =>
        (e.Sign, e.Cause)
    );

    /// <summary>What a sign tells of a cause; nothing where the table is silent.</summary>
    public static Evidence Of(string sign, string cause) =>
        Known.GetValueOrDefault((sign, cause)) ?? new(sign, cause, 0, 0);

    private static int N(string text) => int.Parse(text, CultureInfo.InvariantCulture);
}
