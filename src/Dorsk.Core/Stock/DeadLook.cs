using Dorsk.Core.Judging;

namespace Dorsk.Core.Stock;

/// <summary>What is written of the dead beside their number: words that are chosen, so that they can be counted.</summary>
public static class DeadLook
{
    /// <summary>Which sizes died.</summary>
    public static IReadOnlyList<string> Sizes { get; } = ["all sizes", "large ones", "small ones", "thin ones"];

    /// <summary>Where they lie.</summary>
    public static IReadOnlyList<string> Places { get; } =
    ["all over", "at the inlet", "at the outlet", "lee corner", "along the edge", "at the floor"];

    /// <summary>Where the dead go.</summary>
    public static IReadOnlyList<string> Disposals { get; } =
    ["buried with lime", "rendering or incineration", "composted", "kept cold for the vet", "left or not found"];

    private const double MostKg = 1_000_000;
    private const int HashLength = 64;

    /// <summary>Objections to it, named by the field of the slip.</summary>
    /// <param name="f">The loss.</param>
    public static IEnumerable<Remark> Check(FishLost f)
    {
        foreach (
            var (field, said, list) in new[]
            {
                ("Sizes", f.Sizes, Sizes),
                ("Place", f.Place, Places),
                ("Disposal", f.Disposal, Disposals),
            }
        )
            if (said.Length > 0 && !list.Contains(said))
                yield return Remark.Refuse(field, "Choose from the list, or leave it open.");
        if (f.Look.Length > 200)
            yield return Remark.Refuse("Look", "At most 200 letters.");
        if (f.MassKg is not (null or (> 0 and <= MostKg)))
            yield return Remark.Refuse("Mass", "What the dead weigh together: above 0, or leave it empty.");
        if (f.Photo.Length > 0 && (f.Photo.Length != HashLength || !f.Photo.All(char.IsAsciiHexDigitLower)))
            yield return Remark.Refuse("Photo", "This is no photo that was kept here. Take it again.");
        if (f.Disposal == "left or not found")
            yield return Remark.Ask(
                "Disposal",
                "Dead fish that stay in the water feed the next disease and take oxygen. Can they not be taken out twice a day?"
            );
    }
}
