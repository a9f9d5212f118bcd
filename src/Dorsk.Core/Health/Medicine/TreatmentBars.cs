using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Health;

/// <summary>A pond as a treatment meets it.</summary>
/// <param name="State">Its state.</param>
/// <param name="Dosed">Water and fish that are dosed.</param>
/// <param name="ProbioticOn">Day on which bacteria were last brought in, within four weeks; null for none.</param>
public sealed record TreatedWater(PondState State, Dosed Dosed, DateOnly? ProbioticOn);

/// <summary>What a water or its fish bar: judged by today's readings, tonight's forecast and who swims there.</summary>
public static class TreatmentBars
{
    /// <summary>Where the bars come from.</summary>
    public const string Source =
        "Boyd and Tucker 1998 (copper, permanganate); Noga 2010 (formalin takes 1 mg/L of oxygen for 5 mg/L)";

    /// <summary>Copper under this alkalinity kills fish, mg/L as CaCO₃.</summary>
    public const double CopperAlkalinityMgL = 50;

    /// <summary>Oxygen that formalin takes, mg for a mg of formalin.</summary>
    public const double FormalinOxygen = 0.2;

    /// <summary>What stands against a treatment.</summary>
    /// <param name="given">The treatment.</param>
    /// <param name="product">Its product.</param>
    /// <param name="water">The pond.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IEnumerable<Remark> Against(
        TreatmentGiven given,
        ProductDescribed product,
        TreatedWater water,
        Hand hand
    )
    {
        if (water.State.Fish.Count == 0)
            return [];
        return WaterFirst(given, product, water.State)
            .Concat(Copper(product, water.State, hand))
            .Concat(Oxygen(given, product, water, hand))
            .Concat(Oxidiser(given, product))
            .Concat(Pests(product, water.State))
            .Concat(Bacteria(product, water));
    }

    // Water first: no medicine before today's panel, none into a pH that crashed, none against want of oxygen.
    private static IEnumerable<Remark> WaterFirst(TreatmentGiven given, ProductDescribed product, PondState state)
    {
        if (!product.IsMedicine)
            yield break;
        var missing = WaterPanel.Missing(state);
        if (missing.Count > 0 && given.PassedReason.Trim().Length == 0)
            yield return Remark.Refuse(
                "PassedReason",
                $"Water first: {string.Join(", ", missing)} not read today. Most sick fish have sick water. Read them, or a manager says why it cannot wait."
            );
        foreach (var sign in WaterPanel.Signs(state).Where(s => s is { Seen: true, Key: "ph_low" or "ph_fell" }))
            yield return Remark.Ask(
                "Product",
                $"The pH crashed ({sign.Words}): that alone makes fish sick. Mend it first. Is this given all the same?"
            );
        if (
            PondVerdict
                .Of(state)
                .Findings.Any(f => f.Of == Parameter.Oxygen && f is { Status: Status.ActNow, ShutsGate: true })
        )
            yield return Remark.Refuse(
                "Product",
                "Oxygen is at the act level: air first, and no medicine until a good reading stands. Fish that lack oxygen are not cured by one."
            );
    }

    private static IEnumerable<Remark> Copper(ProductDescribed product, PondState state, Hand hand)
    {
        if (product.Matter != ActiveMatter.Copper || !product.GoesIntoWater)
            yield break;
        if (state.Fish.Any(f => f.Species.AtTheFloor))
            yield return Remark.Refuse("Product", "Copper kills shrimp, prawns and crayfish. Not into this water.");
        if (state.Last(Parameter.Alkalinity, Speaks.Week) is not { } alkalinity)
            yield return Remark.Refuse(
                "Product",
                "Copper hangs on alkalinity, which was not read within a week. Read it first."
            );
        else if (alkalinity.Si < CopperAlkalinityMgL)
            yield return Remark.Refuse(
                "Product",
                $"Alkalinity is {hand.Count(alkalinity.Si)} mg/L: under {hand.Count(CopperAlkalinityMgL)} copper kills fish."
            );
    }

    private static IEnumerable<Remark> Oxygen(
        TreatmentGiven given,
        ProductDescribed product,
        TreatedWater water,
        Hand hand
    )
    {
        if (!product.TakesOxygen)
            yield break;
        var state = water.State;
        string Say(double mgL) => QuantityText.Write(mgL, Measures.Oxygen, hand);
        var watch = state.Limits.DoWatchMgL;
        if (state.Last(Parameter.Oxygen, Speaks.Hours) is not { } now)
            yield return Remark.Refuse(
                "Product",
                "It takes oxygen from the water, and none was read today. Read it first."
            );
        else if (now.Si < watch)
            yield return Remark.Refuse(
                "Product",
                $"It takes oxygen, and the water holds {Say(now.Si)}: watch is {Say(watch)}. Air first."
            );
        else if (
            product.Matter == ActiveMatter.Formalin
            && DoseSum.DoseOf(product, given.AmountG, water.Dosed) is { } formalin
            && now.Si - (FormalinOxygen * formalin) is var left
            && left < watch
        )
            yield return Remark.Refuse(
                "Product",
                $"{hand.Figure(formalin, 0)} mg/L of formalin takes about {Say(FormalinOxygen * formalin)} of oxygen: {Say(now.Si)} would fall to {Say(Math.Max(0, left))}, under the watch level. Smaller dose, or strong air and a new reading first."
            );
        if (state.Tonight is { } tonight && tonight.Lowest.MgL < watch)
            yield return Remark.Refuse(
                "Product",
                $"It takes oxygen, and tonight's low is told as {Say(tonight.Lowest.MgL)}, under the watch level {Say(watch)}. Wait for a better night, or bring the night up with more air first."
            );
    }

    private static IEnumerable<Remark> Oxidiser(TreatmentGiven given, ProductDescribed product)
    {
        if (product.IsOxidiser && given.DemandMgL is null)
            yield return Remark.Refuse(
                "Demand",
                "An oxidiser is used up by the water before it reaches the fish: test the demand of this water today and type it."
            );
    }

    // A film of oil shuts the surface, and what kills insects kills shrimp: other means come first.
    private static IEnumerable<Remark> Pests(ProductDescribed product, PondState state)
    {
        if (product.Kind is not (ProductKind.Pesticide or ProductKind.Algaecide))
            yield break;
        if (product.Kind == ProductKind.Pesticide && state.Fish.Any(f => f.Species.AtTheFloor))
            yield return Remark.Refuse("Product", "It kills shrimp, prawns and crayfish too. Not into this water.");
        if (
            product.Kind == ProductKind.Pesticide
            && state.Fish.Any(f => SpeciesTable.Figure(f.Species, "air_breather") > 0)
        )
            yield return Remark.Refuse(
                "Product",
                "A film on the water or a poison at its surface kills fish that come up for air. Not into this water."
            );
        yield return Remark.Ask(
            "Product",
            product.Kind == ProductKind.Pesticide
                ? "Were other means tried first: fish in within days of filling, a net at night under a lamp, a screen at the inlet, the water drained and dried? Oil and pest killers harm fry, bees and whoever drinks below."
                : "Were other means tried first: less feed and fertiliser, a change of water, shade, weed taken out by hand? What is killed rots and takes oxygen for days."
        );
    }

    private static IEnumerable<Remark> Bacteria(ProductDescribed product, TreatedWater water)
    {
        if (product.Kind != ProductKind.Antibiotic)
            yield break;
        yield return Remark.Ask(
            "Reason",
            "Are these fish sick, and did a vet name the bacteria? Antibiotic as routine breeds germs that none cures, in fish and in people."
        );
        if (water.State.InTank)
            yield return Remark.Ask(
                "Product",
                "Antibiotic kills the bacteria that clean this tank's water: ammonia and nitrite will rise within days. Is the filter taken off the circuit, and is water for changes at hand?"
            );
        if (water.ProbioticOn is { } on)
            yield return Remark.Ask(
                "Product",
                $"Living bacteria were brought in on {Hand.Day(on)}: antibiotic kills them. Is that meant?"
            );
    }
}
