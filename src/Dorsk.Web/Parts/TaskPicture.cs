namespace Dorsk.Web.Parts;

/// <summary>Drawings of the cards of tasks, each on a field of 48 by 48, made for this program.</summary>
public static class TaskPicture
{
    private static readonly Dictionary<string, string> Paths = new()
    {
        ["meter"] = "M14 6h20v30H14zM18 11h12v9H18zM20 26h2M26 26h2M24 36v8",
        ["pond"] = "M4 20c8-6 32-6 40 0v14c-8 6-32 6-40 0zM10 26q4-4 8 0t8 0 8 0 6 0",
        ["clock"] = "M24 5a19 19 0 1 0 .1 0zM24 12v12l9 6",
        ["note"] = "M10 4h28v40H10zM16 13h16M16 20h16M16 27h10M30 40l9-13 4 3-9 12-5 1z",
        ["phone"] = "M15 3h18v42H15zM15 9h18M15 37h18M22 41h4",
        ["eye"] = "M3 24q21-22 42 0-21 22-42 0zM24 17a7 7 0 1 0 .1 0z",
        ["switch"] = "M12 10h24v28H12zM20 16h8v16h-8zM20 24h8M24 4v6M24 38v6",
        ["wheel"] = "M24 8a15 15 0 1 0 .1 0zM24 8v30M9 23h30M13 12l22 22M35 12L13 34M3 42q5-4 10 0t10 0 10 0 10 0",
        ["stop"] = "M16 5h16l11 11v16L32 43H16L5 32V16zM15 15l18 18M33 15L15 33",
        ["scoop"] = "M6 20h24l-4 20H10zM28 24h14M34 10l8 14M12 14q6-6 12 0",
        ["glove"] = "M14 44V28L8 20l3-3 5 5V8h4v12-15h4v15-13h4v14-9h4v20l-3 19z",
        ["net"] = "M24 4L6 40h36zM24 4v36M15 22h18M10 32h28M18 16l10 24M30 16L20 40",
        ["wash"] =
            "M8 26h32v6a10 10 0 0 1-10 10H18A10 10 0 0 1 8 32zM24 4c4 6 6 8 6 11a6 6 0 0 1-12 0c0-3 2-5 6-11zM14 22v4M34 22v4",
        ["boots"] = "M10 5h10v26l8 4v8H10zM28 5h10v26l6 4v8H28",
        ["people"] = "M15 6a5 5 0 1 0 .1 0zM7 42V24q8-8 16 0v18M33 6a5 5 0 1 0 .1 0zM25 42V24q8-8 16 0v18M2 30h44",
        ["mask"] = "M8 16q16-10 32 0v12q-8 14-16 14T8 28zM12 24h24M15 30h18M8 18L2 14M40 18l6-4",
    };

    /// <summary>Its lines as the path of an SVG; a question is drawn for a name that is not known.</summary>
    /// <param name="name">Which.</param>
    public static string Path(string name) => Paths.GetValueOrDefault(name, "M16 18a8 8 0 1 1 10 8q-2 1-2 5M24 38v3");

    /// <summary>Whether there is such a drawing.</summary>
    /// <param name="name">Which.</param>
    public static bool Has(string name) => Paths.ContainsKey(name);
}
