namespace Dorsk.Core.Species;

/// <summary>Which group of the table of limits by life stage each species belongs to.</summary>
internal static class LimitGroups
{
    private static readonly Dictionary<string, string> ByKey = new()
    {
        ["rainbow_trout"] = "salmonid",
        ["walleye"] = "coolwater percid",
        ["yellow_perch"] = "coolwater percid",
        ["nile_tilapia"] = "tilapia and carp",
        ["common_carp"] = "tilapia and carp",
        ["african_catfish"] = "air breathing catfish",
        ["striped_catfish"] = "air breathing catfish",
        ["barramundi"] = "barramundi and marine fish",
        ["milkfish"] = "barramundi and marine fish",
        ["whiteleg_shrimp"] = "whiteleg shrimp",
        ["giant_prawn"] = "giant freshwater prawn",
        ["redclaw"] = "redclaw",
    };

    /// <summary>The group of most fish of warm water.</summary>
    public const string WarmWater = "warm water fish";

    /// <summary>The rest are warm-water fish that breathe water.</summary>
    public static string Of(string speciesKey) => ByKey.GetValueOrDefault(speciesKey, WarmWater);
}
