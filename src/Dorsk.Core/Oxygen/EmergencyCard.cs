namespace Dorsk.Core.Oxygen;

/// <summary>A card for the wall of the pump shed: what to do, in order, when there is no time to think.</summary>
/// <param name="Title">What is seen.</param>
/// <param name="Steps">What to do, in order.</param>
/// <param name="Never">What never to do.</param>
public sealed record EmergencyCard(string Title, IReadOnlyList<string> Steps, string Never)
{
    /// <summary>The cards; usual practice, people first.</summary>
    public static readonly IReadOnlyList<EmergencyCard> All =
    [
        new(
            "Power is lost",
            [
                "Oxygen on in tanks: by hand if no valve opened.",
                "Second person called; nobody at the water alone.",
                "To the water with the fewest minutes first: the list is on “Power is out”.",
                "Generator outside, off the mains, machines one after the other.",
                "No feed. Well-aired water in where there is any.",
                "Power and well gone at once: air first, water after; a pump on the generator only when every tank has air.",
            ],
            "No generator in a closed shed. No wet hands at a switch."
        ),
        new(
            "Fish gulp at the surface",
            [
                "All aerators of this pond on, the emergency machine in, near the fish, pushing along the bank.",
                "Stop feed and fertiliser.",
                "Well-aired water in at the surface; let low water out at the floor.",
                "Read oxygen at the inlet, in the middle, at the outlet; again every half hour.",
                "Oxygen well up and they still gulp: gills, nitrite, ammonia, chlorine. Test water, then call the vet.",
            ],
            "No medicine, no lime, no salt before oxygen and water are read."
        ),
        new(
            "A screen has burst, fish get out",
            [
                "Close the inlet; let no more water out than the burst does.",
                "Net or board across the drain below and above; the spare screen in.",
                "Count or weigh what got out; look in the next pond and the creek.",
                "Escaped fish into public water: tell the authority when the law asks it.",
                "Write it down as escaped, with the count.",
            ],
            "Nobody into a running outlet pipe or its pit."
        ),
        new(
            "The bloom has died: clear, brown or grey water, foam, smell",
            [
                "All air on, day and night; more machines from ponds that are steady.",
                "No feed until the water is green again and oxygen stands at dawn.",
                "Read oxygen every hour, ammonia and pH every day.",
                "A part of the water changed, when good water is at hand.",
                "Dead fish out every day; watch for green to come back, three to ten days.",
            ],
            "No algae killer, no fertiliser, no lime on top of it."
        ),
        new(
            "The fish truck is late",
            [
                "Call the driver: oxygen, temperature, hours of transport.",
                "Pond or tank ready: read oxygen and temperature now; air on.",
                "Shade and cool air for bags; do not open them to look.",
                "Open tanks: oxygen on, no stirring, change a fifth of the water only when theirs smells.",
                "On arrival mix slowly by the acclimation slip; count the dead before the papers are signed.",
            ],
            "No quick dump “to save them”: the step kills what the road spared."
        ),
    ];
}
