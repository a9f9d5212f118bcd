using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Exact turns between units, and what a handy short cut costs.</summary>
internal sealed class ConverterCalculator : ICalculator
{
    private static readonly Measure[] Kinds =
    [
        Measures.Length,
        Measures.Area,
        Measures.Volume,
        Measures.Mass,
        Measures.Temperature,
        Measures.TemperatureStep,
        Measures.Power,
        Measures.Flow,
        Measures.AreaLoad,
        Measures.VolumeLoad,
        Measures.Wind,
    ];

    // Short cuts heard at the pond: from, to, the handy factor.
    private static readonly (Measure Kind, string From, string To, double Handy)[] ShortCuts =
    [
        (Measures.Length, "m", "ft", 3),
        (Measures.Length, "m", "ft", 3.3),
        (Measures.Length, "ft", "cm", 30),
        (Measures.Area, "ha", "ac", 2.5),
        (Measures.Area, "ac", "m²", 4000),
        (Measures.Volume, "m³", "gal", 250),
        (Measures.Volume, "gal", "L", 4),
        (Measures.Volume, "ac-ft", "m³", 1200),
        (Measures.Mass, "kg", "lb", 2),
        (Measures.Power, "hp", "kW", 0.75),
        (Measures.AreaLoad, "lb/ac", "kg/ha", 1),
        (Measures.VolumeLoad, "lb/gal", "kg/m³", 100),
        (Measures.Flow, "gal/min", "m³/h", 0.25),
    ];

    public string Key => "converter";

    public string Title => "Units";

    public string Lead => "exact turns, and what the handy short cut costs";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("kind", "Quantity", Measures.Length.Name, Kinds.Select(k => (k.Name, k.Name)).ToList()),
            s.Words("value", "Figure, with any unit of it", "100 ft").WithHint("100 ft, 2.5 ac, 84 F, 3 1/2 in"),
        ];

    public Worked? Work(BenchForm f)
    {
        var kind = f.Form.Choice("kind", Kinds.Select(k => (k.Name, k)).ToList(), "quantity", Measures.Length);
        var si = f.Form.Quantity("value", kind);
        if (!f.Sound)
            return null;
        if (Math.Abs(si) > 1e12)
        {
            f.Form.Refuse("value", "That is more than any farm holds. Check the figure.");
            return null;
        }
        string Exact(Unit u) => $"{f.Here.Figure(u.FromSi(si), Math.Abs(u.FromSi(si)) < 1 ? 5 : 3)} {u.Symbol}";
        var why = Grounds.Of(
            "Exact factors: foot 0.3048 m, pound 0.45359237 kg, US gallon 3.785411784 L, mechanical horsepower 745.7 W.",
            "NIST Special Publication 811",
            new Input("typed", si, kind, "as understood")
        );
        var units = kind.Units.ToList();
        var cuts = ShortCuts
            .Where(c => c.Kind == kind)
            .Select(c => (c.From, c.To, c.Handy, Exact: kind.Find(c.To)!.FromSi(kind.Find(c.From)!.ToSi(1))))
            .ToList();
        return new(
            [.. units.Select((u, i) => new Figure(i == 0 ? "Exactly" : "", Exact(u), why, i == 0))],
            cuts.Count == 0 ? "" : "A short cut is fine for talking and wrong for dosing:",
            Table: CutTable(f, cuts)
        );
    }

    private static IReadOnlyList<string[]>? CutTable(
        BenchForm f,
        List<(string From, string To, double Handy, double Exact)> cuts
    ) =>
        cuts.Count == 0
            ? null
            :
            [
                ["short cut", "says", "exact", "off by"],
                .. cuts.Select(c =>
                    new[]
                    {
                        $"1 {c.From} in {c.To}",
                        f.Here.Figure(c.Handy, 2),
                        f.Here.Figure(c.Exact, 4),
                        f.Here.Figure(100 * ((c.Handy / c.Exact) - 1), 1) + " %",
                    }
                ),
            ];
}
