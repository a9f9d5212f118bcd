using System.Globalization;

namespace Dorsk.Farm.Sql;

/// <summary>Pairs of figures in one column: "x y;x y".</summary>
internal static class Pairs
{
    public static string Write(IEnumerable<(double X, double Y)> pairs) =>
        string.Join(';', pairs.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.X:R} {p.Y:R}")));

    public static List<(double X, double Y)> Read(string text) =>
        text.Split(';').Select(pair => pair.Split(' ')).Select(p => (N(p[0]), N(p[1]))).ToList();

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
