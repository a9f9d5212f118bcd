using Dorsk.Core.Species;

namespace Dorsk.Core.Health;

/// <summary>How a sign is told.</summary>
public enum SignTold
{
    /// <summary>By today's readings.</summary>
    Read,

    /// <summary>By whoever looks.</summary>
    Asked,

    /// <summary>By the log of the last week.</summary>
    Log,
}

/// <summary>Something that raises or lowers causes of sick fish.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Group">Step of the look: water, behaviour, gills, skin, gut, which, where, work, tank, scope.</param>
/// <param name="Test">Key of the test that tells it.</param>
/// <param name="Told">How it is told.</param>
/// <param name="Words">What is seen.</param>
/// <param name="For">All, fish, shrimp, fry, tank or pond.</param>
public sealed record Sign(string Key, string Group, string Test, SignTold Told, string Words, string For)
{
    /// <summary>All signs, in the order in which they are looked for.</summary>
    public static IReadOnlyList<Sign> All { get; } =
    [
        .. Csv.Embedded("signs.csv")
            .Select(r => new Sign(
                r["key"],
                r["group"],
                r["test"],
                Enum.Parse<SignTold>(r["how"], true),
                r["words"],
                r["for"]
            )),
    ];

    private static readonly Dictionary<string, Sign> Known = All.ToDictionary(s => s.Key);

    /// <summary>The sign of a key, or null.</summary>
    public static Sign? Find(string key) => Known.GetValueOrDefault(key);
}

/// <summary>A test that tells signs.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain name.</param>
/// <param name="Effort">1 a meter or an eye, 2 a kit or a fish in the hand, 3 a microscope, 4 a laboratory.</param>
/// <param name="How">How it is done.</param>
public sealed record SignTest(string Key, string Name, int Effort, string How)
{
    /// <summary>All tests, water first.</summary>
    public static IReadOnlyList<SignTest> All { get; } =
    [
        .. Csv.Embedded("tests.csv")
            .Select(r => new SignTest(
                r["key"],
                r["name"],
                int.Parse(r["effort"], System.Globalization.CultureInfo.InvariantCulture),
                r["how"]
            )),
    ];

    /// <summary>The test of a key, or null.</summary>
    public static SignTest? Find(string key) => All.FirstOrDefault(t => t.Key == key);
}

/// <summary>A cause of sick or dead fish.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain name.</param>
/// <param name="Kind">Water, infection, parasite, handling or feed.</param>
/// <param name="Do">What is safe to do first.</param>
/// <param name="Caution">What not to do; may be empty.</param>
/// <param name="Reports">Whether the law may ask that it is reported.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="For">All, fish, shrimp, fry, tank or pond.</param>
public sealed record Cause(
    string Key,
    string Name,
    string Kind,
    string Do,
    string Caution,
    bool Reports,
    string Source,
    string For
)
{
    /// <summary>All causes, those of the water first.</summary>
    public static IReadOnlyList<Cause> All { get; } =
    [
        .. Csv.Embedded("causes.csv")
            .Select(r => new Cause(
                r["key"],
                r["name"],
                r["kind"],
                r["do"],
                r["caution"],
                r["reports"] == "yes",
                r["source"],
                r["for"]
            )),
    ];

    private static readonly Dictionary<string, Cause> Known = All.ToDictionary(c => c.Key);

    /// <summary>The cause of a key, or null.</summary>
    public static Cause? Find(string key) => Known.GetValueOrDefault(key);

    /// <summary>Whether a medicine is ever the answer, on a vet's advice.</summary>
    public bool Treatable => Kind is "infection" or "parasite";
}
