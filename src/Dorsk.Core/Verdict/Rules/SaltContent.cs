using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Salinity against what each species bears for long, with the direction.</summary>
internal static class SaltContent
{
    public static readonly Rule Rule = new("salinity", Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Last(Parameter.Salinity, Speaks.Fortnight) is not { } last)
            yield break;
        foreach (var species in s.Fish.Select(f => f.Species).DistinctBy(f => f.Key))
        {
            var (tooSalt, tooFresh) = (last.Si > species.SalinityHighPpt, last.Si < species.SalinityLowPpt);
            if (!tooSalt && !tooFresh)
                continue;
            string P(double v) => s.Say(v, Parameter.Salinity);
            yield return new(
                Rule.Name,
                Status.ActNow,
                $"{P(last.Si)} is too {(tooSalt ? "salt" : "fresh")} for {species.Name.ToLowerInvariant()}, which bear {P(species.SalinityLowPpt)} to {P(species.SalinityHighPpt)}"
            )
            {
                Of = Parameter.Salinity,
                Do = tooSalt
                    ? "Let fresh water in, slowly, over days."
                    : "Bring salt or brackish water in, slowly, over days.",
                Why = Because(s, last, species),
                Rings = true,
                FeedFactor = 0.5,
                ShutsGate = true,
            };
        }
    }

    private static Grounds Because(PondState s, Timed last, Species.FishSpecies species) =>
        Grounds.Of(
            "The last salinity against the range of the species.",
            species.Source,
            new Input("salinity", last.Si, Measures.Salinity, "read " + Hand.Day(s.Zone.DayOf(last.At)))
        );
}
