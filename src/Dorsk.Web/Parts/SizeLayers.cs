using System.Globalization;
using Dorsk.Core.Harvest;

namespace Dorsk.Web.Parts;

/// <summary>Several batches or year classes of one pond by weight, one on top of the other.</summary>
public sealed class SizeLayers
{
    private const int Bars = 32,
        Left = 6,
        Floor = 124,
        Top = 14;

    /// <summary>Draws them.</summary>
    /// <param name="spreads">The spreads, the lowest layer first; at least one with fish.</param>
    public SizeLayers(IReadOnlyList<SizeSpread> spreads)
    {
        var from = spreads.Min(s => s.WeightAtG(0.998));
        var to = spreads.Max(s => s.WeightAtG(0.002));
        var step = (to - from) / Bars;
        var counts = spreads
            .Select(s =>
                Enumerable
                    .Range(0, Bars)
                    .Select(i => s.Over(from + (i * step)).Count - s.Over(from + ((i + 1) * step)).Count)
                    .ToList()
            )
            .ToList();
        var most = Enumerable.Range(0, Bars).Max(i => counts.Sum(c => c[i]));
        var width = (SizePicture.Width - (2.0 * Left)) / Bars;
        var shown = new List<(int, string, string, string, string)>();
        for (var i = 0; i < Bars; i++)
        {
            double floor = Floor;
            for (var layer = 0; layer < counts.Count; layer++)
            {
                var h = most > 0 ? (Floor - Top) * counts[layer][i] / most : 0;
                floor -= h;
                shown.Add((layer, N(Left + (i * width) + 1), N(floor), N(width - 2), N(h)));
            }
        }
        Shown = shown;
        Ends = (from, to);
    }

    /// <summary>Of each part of a bar: its layer, where it stands, its top, width and height.</summary>
    public IReadOnlyList<(int Layer, string X, string Y, string W, string H)> Shown { get; }

    /// <summary>Weights at both ends, g.</summary>
    public (double FromG, double ToG) Ends { get; }

    private static string N(double v) => v.ToString("0.##", CultureInfo.InvariantCulture);
}
