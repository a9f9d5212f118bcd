using Dorsk.Core.Judging;

namespace Dorsk.Core.Water;

/// <summary>What helps water that is not well.</summary>
public enum Remedy
{
    /// <summary>Air from aerators.</summary>
    Air,

    /// <summary>New water.</summary>
    ChangeWater,

    /// <summary>Carbon for bacteria that take ammonia up.</summary>
    Carbon,

    /// <summary>Salt against nitrite.</summary>
    Salt,

    /// <summary>Something that raises alkalinity.</summary>
    Alkalinity,
}

/// <summary>Which remedies answer which findings, in order: air first, water before powders.</summary>
public static class Remedies
{
    /// <summary>Remedies for what stands outside its limits.</summary>
    /// <param name="oxygen">Judgement of dissolved oxygen, or null when not known.</param>
    /// <param name="ammonia">Judgement of un-ionised ammonia, or null when not known.</param>
    /// <param name="nitrite">Judgement of nitrite, or null.</param>
    /// <param name="alkalinity">Judgement of alkalinity, or null.</param>
    /// <param name="look">Judgements that ask for new water: colour, film, carbon dioxide or a pH too high.</param>
    public static IReadOnlyList<(Remedy Remedy, string Reason)> For(Judgement? oxygen, Judgement? ammonia, Judgement? nitrite, Judgement? alkalinity, params IEnumerable<Judgement?> look)
    {
        var found = new List<(Remedy, string)>();
        void Add(Judgement? judged, params Remedy[] remedies)
        {
            if (judged?.Status is Status.Watch or Status.ActNow)
                found.AddRange(remedies.Select(r => (r, judged.Reason)));
        }
        Add(oxygen, Remedy.Air);
        Add(ammonia, Remedy.ChangeWater, Remedy.Carbon);
        foreach (var judged in look.Where(_ => found.All(f => f.Item1 != Remedy.ChangeWater)))
            Add(judged, Remedy.ChangeWater);
        Add(nitrite, Remedy.Salt);
        Add(alkalinity, Remedy.Alkalinity);
        return found;
    }
}
