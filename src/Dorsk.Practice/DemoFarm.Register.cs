using Dorsk.Core.Ponds;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>What the farm's manager wrote down about the place itself, with the instruments: its waters and who built what.</summary>
public sealed partial class DemoFarm
{
    private const string Earthworks = "Clay Gully Earthworks";

    private static IEnumerable<Told> Registered(DateOnly day)
    {
        Told Source(SourceTested source) => new(Zone.At(day, new(7, 30)), "Manager", source.Name, _ => source);
        yield return Source(
            new(
                "shed bore",
                SourceKind.Well,
                false,
                14,
                [
                    (Parameter.Ph, 7.1),
                    (Parameter.Temperature, 21.5),
                    (Parameter.Oxygen, 2.8),
                    (Parameter.Alkalinity, 124),
                    (Parameter.Hardness, 140),
                ]
            )
        );
        yield return Source(
            new(
                "Wattle Creek",
                SourceKind.River,
                true,
                40,
                [
                    (Parameter.Ph, 7.6),
                    (Parameter.Temperature, 26.2),
                    (Parameter.Oxygen, 6.9),
                    (Parameter.Alkalinity, 66),
                ]
            )
        );
        yield return InTheShed(day);
        foreach (
            var (code, built, price) in new[]
            {
                ("P4", new DateOnly(2024, 8, 14), 21_400.0),
                ("P6", new(2025, 6, 2), 24_900),
            }
        )
            yield return new(Zone.At(day, new(7, 35)), "Manager", $"{code} built by {Earthworks}", k => new PondBuiltBy(
                k.Pond(code),
                Earthworks,
                built,
                price,
                built.AddYears(3),
                "banks and pipes; grass by the farm"
            ));
    }

    // One machine for all; it stands with the pond it is kept for first.
    private static Told InTheShed(DateOnly day) =>
        new(Zone.At(day, new(7, 32)), "Manager", "P4 has an emergency machine in the shed", k => new AeratorsFitted(
            k.Pond("P4"),
            [
                .. Fitted(DemoScript.Ponds.First(p => p.Code == "P4")),
                new("E1", AeratorKind.Find("paddlewheel, tractor driven")!, 15, null, null) { Standby = true },
            ]
        ));
}
