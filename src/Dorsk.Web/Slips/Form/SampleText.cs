using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Weighings as they are typed one after the other, with blanks or lines between: single fish as weight or weight/length, seine samples as fish/mass.</summary>
internal static class SampleText
{
    private static readonly char[] Between = [' ', ';', '\n', '\r', '\t'];
    private const int Most = 2000;

    /// <summary>The weighings with lengths, m, where they were typed; refusals stand at the field.</summary>
    public static (List<(int Count, double MassG)> Weighings, List<double?> LengthsM) Read(
        SlipForm form,
        string field,
        bool single
    )
    {
        List<(int, double)> weighings = [];
        List<double?> lengths = [];
        foreach (var word in form.Text(field).Split(Between, StringSplitOptions.RemoveEmptyEntries).Take(Most + 1))
        {
            var parts = word.Split('/');
            if (weighings.Count == Most || parts.Length > 2 || (!single && parts.Length < 2))
            {
                form.Refuse(
                    field,
                    weighings.Count == Most ? $"At most {Most} at once: keep these and start a second sample."
                        : single ? $"“{word}”: type a weight, or weight/length."
                        : $"“{word}”: type fish/mass, such as 30/9.1."
                );
                return ([], []);
            }
            if (single)
            {
                weighings.Add((1, Figure(form, field, parts[0], Measures.FishWeight)));
                lengths.Add(parts.Length == 2 ? Figure(form, field, parts[1], Measures.ShortLength) : null);
            }
            else
            {
                var fish = Figure(form, field, parts[0], Measures.Plain);
                if (fish % 1 != 0 || fish > 100_000)
                    form.Refuse(field, $"“{word}”: fish are whole, up to 100,000 a sample.");
                weighings.Add(
                    (
                        double.IsFinite(fish) ? (int)Math.Min(fish, 100_000) : 0,
                        1000 * Figure(form, field, parts[1], Measures.Mass)
                    )
                );
            }
        }
        if (form.Remarks.Any(r => r.Field == field))
            return ([], []);
        return (weighings, lengths.Exists(l => l is not null) ? lengths : []);
    }

    private static double Figure(SlipForm form, string field, string text, Measure measure)
    {
        var read = QuantityText.Read(text, measure, form.Here.Hand);
        if (read.Si is > 0 and var si)
            return si;
        form.Refuse(
            field,
            read.Problem is { } problem ? $"At “{text}”: {problem}" : $"“{text}”: the {measure.Name} must be above 0."
        );
        return double.NaN;
    }
}
