using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Health;

/// <summary>What a pond has at hand when its fish are sick.</summary>
/// <param name="VolumeM3">Water in it now, m³; 0 when not known.</param>
/// <param name="PumpM3H">Its pump, m³/h; null when it has none.</param>
/// <param name="IdleAerators">Codes of aerators that stand still.</param>
/// <param name="BearsSalt">Whether the fish bear a step of salt.</param>
/// <param name="NitriteMgL">Nitrite read today, mg N/L, or null.</param>
/// <param name="ChlorideMgL">Chloride, mg/L, or null.</param>
public sealed record AtHand(
    double VolumeM3,
    double? PumpM3H,
    IReadOnlyList<string> IdleAerators,
    bool BearsSalt,
    double? NitriteMgL,
    double? ChlorideMgL
);

/// <summary>First aid that is always allowed, in this pond's own amounts: more air, half the water, rest from feed, salt against nitrite.</summary>
public static class FirstAid
{
    /// <summary>Where it comes from.</summary>
    public const string Source = "Boyd and Tucker 1998; Noga 2010; salt by ten times the nitrite nitrogen as chloride";

    private const double HalfShare = 0.5,
        ChlorideRatio = 10;

    /// <summary>The steps in order, each a sentence with its amounts.</summary>
    /// <param name="pond">What is at hand.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<string> Of(AtHand pond, Hand hand) =>
        [
            pond.IdleAerators.Count > 0
                ? $"Air: start {string.Join(", ", pond.IdleAerators)}, and leave a calm corner where weak fish can rest."
                : "Air: what runs stays on; bring one more machine. Leave a calm corner where weak fish can rest.",
            Change(pond, hand),
            "No feed until they are calm and the water was read.",
            .. Salt(pond, hand) is { } salt ? [salt] : Array.Empty<string>(),
            "Take the dead out twice a day; no nets, no handling, no fish in or out.",
        ];

    /// <summary>Half of the water, and the hours of the pump for it.</summary>
    /// <param name="pond">What is at hand.</param>
    public static (double M3, double? Hours) HalfChange(AtHand pond) =>
        (HalfShare * pond.VolumeM3, pond.PumpM3H is > 0 and var flow ? HalfShare * pond.VolumeM3 / flow : null);

    /// <summary>Salt against nitrite, kg: chloride to ten times the nitrite nitrogen less what is there; null where none is called for.</summary>
    /// <param name="pond">What is at hand.</param>
    public static double? SaltKg(AtHand pond)
    {
        if (!pond.BearsSalt || pond.NitriteMgL is not (> 0 and var nitrite) || pond.VolumeM3 <= 0)
            return null;
        var chloride = Doses.ChlorideToAddMgL(nitrite, ChlorideRatio, pond.ChlorideMgL ?? 0);
        return chloride > 0 ? Doses.SaltGM3(ChlorideSalt.All[0], 100, chloride) * pond.VolumeM3 / 1000 : null;
    }

    private static string Change(AtHand pond, Hand hand)
    {
        if (pond.VolumeM3 <= 0)
            return "Water: change up to half of it for good water, as cool as the pond or a little cooler.";
        var (m3, hours) = HalfChange(pond);
        var pump = hours is { } h ? $", {hand.Figure(h, 1)} hours of the pump" : "";
        return $"Water: up to half of it, {QuantityText.Write(m3, Measures.Volume, hand)}{pump}, for good water as cool as the pond or a little cooler.";
    }

    private static string? Salt(AtHand pond, Hand hand) =>
        SaltKg(pond) is { } kg
            ? $"Salt: {QuantityText.Write(kg, Measures.Mass, hand)} of pure salt, spread wide or dissolved, brings the chloride to ten times the nitrite."
            : null;
}
