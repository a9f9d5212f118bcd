using System.Security.Cryptography;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;

namespace Dorsk.Web.People;

/// <summary>Who may name the first Manager.</summary>
public enum FirstManager
{
    /// <summary>Nobody: somebody has a password, or this is the demo.</summary>
    Shut,

    /// <summary>Whoever comes first: the farm is new and holds nobody.</summary>
    Open,

    /// <summary>Whoever knows the word on the console: people stand in the records, and none has a password (a restored or imported farm).</summary>
    WithWord,
}

/// <summary>Keeps a stranger from taking a farm that holds people already but no passwords, as after a restore: a word is printed on the program's console and asked on the page.</summary>
public sealed class FirstWord(Credentials credentials, Questions questions, DemoFarmOpen demo)
{
    private readonly Lazy<string> word = new(() =>
    {
        var made = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(6));
        Console.WriteLine(
            $"People stand in this farm's records, and nobody has a password. To set the Manager's, open /first and type this word: {made}"
        );
        return made;
    });

    /// <summary>Who may name the first Manager now.</summary>
    public FirstManager State =>
        demo.On || credentials.Any() ? FirstManager.Shut
        : questions.People().Count == 0 ? FirstManager.Open
        : FirstManager.WithWord;

    /// <summary>Prints the word where it is needed; once.</summary>
    public void Print() => _ = State == FirstManager.WithWord ? word.Value : "";

    /// <summary>Whether the word is right; compared in a time that tells nothing.</summary>
    public bool IsRight(string? typed) =>
        CryptographicOperations.FixedTimeEquals(
            System.Text.Encoding.UTF8.GetBytes((typed ?? "").Trim().ToLowerInvariant()),
            System.Text.Encoding.UTF8.GetBytes(word.Value)
        );
}
