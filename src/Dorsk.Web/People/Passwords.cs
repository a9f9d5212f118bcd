namespace Dorsk.Web.People;

/// <summary>What a password must be.</summary>
public static class Passwords
{
    /// <summary>Fewest letters. Length counts; no rule asks for odd signs that end on a note at the meter box.</summary>
    public const int Shortest = 8;

    private const int Longest = 200,
        FewestDifferent = 3;

    /// <summary>What is wrong with a password, or null.</summary>
    public static string? Wrong(string name, string? password)
    {
        if (string.IsNullOrEmpty(password) || password.Length is < Shortest or > Longest)
            return $"A password has {Shortest} to {Longest} letters or figures. A few plain words in a row are good.";
        if (string.Equals(password, name, StringComparison.OrdinalIgnoreCase))
            return "Everybody knows the name: it is no password.";
        return password.Distinct().Count() < FewestDifferent
            ? "Too few different letters. A few plain words in a row are good."
            : null;
    }
}
