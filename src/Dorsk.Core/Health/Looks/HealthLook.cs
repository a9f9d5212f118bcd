using Dorsk.Core.Judging;

namespace Dorsk.Core.Health;

/// <summary>An investigation of sick or dead fish, as it stands: each line holds all that is known by then.</summary>
/// <param name="LookId">Its number; 0 for a new one.</param>
/// <param name="PondId">The pond.</param>
/// <param name="Signs">Signs that somebody looked for: seen or not. What readings and the log tell is not written here.</param>
/// <param name="Note">What else was seen, in words; may be empty.</param>
/// <param name="Cause">Key of what it was, once it is closed; empty while it is open.</param>
/// <param name="Vet">Who was asked, and what came of it; may be empty.</param>
public sealed record HealthLook(
    long LookId,
    long PondId,
    IReadOnlyList<(string Sign, bool Seen)> Signs,
    string Note,
    string Cause,
    string Vet
) : Fact
{
    /// <summary>What it is closed with when nobody found out.</summary>
    public const string Unknown = "unknown";

    /// <summary>What it is closed with when nothing was wrong.</summary>
    public const string Nothing = "nothing";

    /// <summary>Whether it is closed.</summary>
    public bool IsClosed => Cause.Length > 0;

    /// <summary>What it was, in words; empty while it is open.</summary>
    public string CauseWords =>
        Cause switch
        {
            "" => "",
            Unknown => "not found out",
            Nothing => "nothing wrong",
            _ => Health.Cause.Find(Cause)?.Name ?? Cause,
        };

    /// <summary>Objections, named by the field of the page.</summary>
    /// <param name="before">It as it stood before, or null for a new one.</param>
    /// <param name="missing">Names of the steps of the water panel that were not read today.</param>
    /// <param name="here">The place, as far as a claim of no disease hangs on it.</param>
    public IEnumerable<Remark> Check(HealthLook? before, IReadOnlyList<string> missing, ClaimPlace? here = null)
    {
        if (Cause == Nothing && here is { } place && place.Doubt() is { } doubt)
            yield return Remark.Ask("Cause", doubt);
        if (before is { IsClosed: true })
            yield return Remark.Refuse("", "This investigation is closed. Begin another one.");
        if (Signs.Any(s => Sign.Find(s.Sign) is not { Told: SignTold.Asked }))
            yield return Remark.Refuse("", "One of the signs is not of the list: load the page anew.");
        if (Signs.Select(s => s.Sign).Distinct().Count() != Signs.Count)
            yield return Remark.Refuse("", "A sign is either seen or not.");
        if (Note.Length > 600)
            yield return Remark.Refuse("Note", "At most 600 letters.");
        if (Vet.Length > 300)
            yield return Remark.Refuse("Vet", "At most 300 letters.");
        if (Cause.Length > 0 && Cause is not (Unknown or Nothing) && Health.Cause.Find(Cause) is null)
            yield return Remark.Refuse("Cause", "Choose a cause of the list.");
        if (Health.Cause.Find(Cause) is { Treatable: true } && missing.Count > 0)
            yield return Remark.Ask(
                "Cause",
                $"Closed as a disease before the water was read today ({string.Join(", ", missing)}). Is it known all the same?"
            );
    }
}
