using System.Globalization;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Workbench;

/// <summary>Figures in a row, with blanks between them, as several calculators take them.</summary>
internal static class BenchLists
{
    /// <summary>Whole numbers.</summary>
    public static List<int> Wholes(BenchForm f, string field)
    {
        var read = Parts(f, field, 200)
            .Select(p =>
                int.TryParse(p, NumberStyles.None, CultureInfo.InvariantCulture, out var n) && n <= StockRules.MostFish
                    ? n
                    : -1
            )
            .ToList();
        if (read.Count is 0 or > 200 || read.Contains(-1))
            f.Form.Refuse(field, "1 to 200 whole numbers with blanks between them, such as 102 96 110.");
        return read;
    }

    /// <summary>Figures above nought, in SI.</summary>
    public static List<double> Amounts(BenchForm f, string field, Measure measure, int most)
    {
        var read = Parts(f, field, most).Select(p => QuantityText.Read(p, measure, f.Here.Hand).Si ?? -1).ToList();
        if (read.Count == 0 || read.Count > most || read.Any(a => a is not (> 0 and < 1e9)))
            f.Form.Refuse(field, $"1 to {most} figures above nought, with blanks between them, such as 255 238 279.");
        return read;
    }

    private static List<string> Parts(BenchForm f, string field, int most) =>
        [.. f.Form.Text(field).Split([' ', ';'], StringSplitOptions.RemoveEmptyEntries).Take(most + 1)];
}
