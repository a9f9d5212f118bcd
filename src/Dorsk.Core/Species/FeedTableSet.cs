using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Species;

/// <summary>One line of a farm's own feeding table.</summary>
/// <param name="FromG">From this weight on, g; up to the next line's.</param>
/// <param name="PelletLowMm">Pellet from, mm.</param>
/// <param name="PelletHighMm">Pellet to, mm.</param>
/// <param name="ProteinPct">Protein, percent.</param>
/// <param name="RationPct">Ration, percent of body weight a day, at this weight.</param>
/// <param name="TempC">Water in which it holds, °C; other water by the species' response.</param>
public sealed record FeedTableRow(
    double FromG,
    double PelletLowMm,
    double PelletHighMm,
    double ProteinPct,
    double RationPct,
    double TempC
);

/// <summary>The farm's own feeding table of a species, by size and temperature; valid from its instant. Earlier ones stay in the log.</summary>
/// <param name="SpeciesKey">The species.</param>
/// <param name="Rows">Its lines, lightest fish first; none goes back to the starting values of the trade.</param>
public sealed record FeedTableSet(string SpeciesKey, IReadOnlyList<FeedTableRow> Rows) : Fact
{
    /// <summary>No table is longer.</summary>
    public const int MostRows = 10;

    /// <summary>Objections; the field names the line and the figure, such as <c>Pellet2</c>.</summary>
    public IEnumerable<Remark> Check()
    {
        if (FishSpecies.Find(SpeciesKey) is null)
            yield return Remark.Refuse("", "There is no such species.");
        if (Rows.Count > MostRows)
            yield return Remark.Refuse("", $"{MostRows} lines at most.");
        for (var i = 0; i < Rows.Count; i++)
        {
            var r = Rows[i];
            if (r.FromG is not (>= 0 and <= 50_000) || (i > 0 && !(r.FromG > Rows[i - 1].FromG)))
                yield return Remark.Refuse($"From{i}", h =>
                    $"Weights rise from line to line, {Limit.Range(0, 50, Measures.Mass, h)}."
                );
            if (r.PelletLowMm is not (>= 0.05 and <= 40))
                yield return Remark.Refuse($"Low{i}", h => $"{Limit.Range(0.00005, 0.04, Measures.Pellet, h)}.");
            if (r.PelletHighMm is not (>= 0.05 and <= 40) || r.PelletHighMm < r.PelletLowMm)
                yield return Remark.Refuse($"High{i}", h =>
                    $"Not under the smallest, up to {Limit.Of(0.04, Measures.Pellet, h)}."
                );
            if (r.ProteinPct is not (>= 5 and <= 80))
                yield return Remark.Refuse($"Protein{i}", "5 to 80 %.");
            if (r.RationPct is not (> 0 and <= 60))
                yield return Remark.Refuse($"Ration{i}", "Over 0 and up to 60 % of body weight a day.");
            if (r.TempC is not (>= 4 and <= 38))
                yield return Remark.Refuse($"Temp{i}", h =>
                    $"{Limit.Range(4, 38, Measures.Temperature, h)}: the water in which this ration holds."
                );
        }
    }
}
