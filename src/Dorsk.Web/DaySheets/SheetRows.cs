using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Round;
using Dorsk.Web.Slips;

namespace Dorsk.Web.DaySheets;

/// <summary>Rows of a written day sheet as lines for the log: what was read, counted and fed as two stops of a round, work and treatments by their slips.</summary>
/// <param name="questions">The farm.</param>
/// <param name="here">Who takes it in, and how the farm writes.</param>
/// <param name="day">The day of the sheet.</param>
/// <param name="dawn">Hour of the dawn round.</param>
/// <param name="late">Hour of the afternoon round: also of work, weather and remarks.</param>
public sealed class SheetRows(Questions questions, Here here, DateOnly day, TimeOnly dawn, TimeOnly late)
{
    private const string ProductMark = "product:";
    private static readonly WorkSlip Work = new();
    private static readonly TreatmentSlip Treatment = new();
    private static readonly string[] ByVolume = [nameof(PondWork.WaterChanged), nameof(PondWork.ToppedUp)];

    private readonly IReadOnlyList<InstrumentKept> instruments = [.. questions.Instruments().Select(i => i.Kept)];

    /// <summary>Weather that is written on the sheet.</summary>
    public static IReadOnlyList<Parameter> Weather { get; } =
    [Parameter.AirTemperature, Parameter.Wind, Parameter.Cloud, Parameter.Rain];

    /// <summary>What may stand as work in a row: the works of the slip, then the products of the register.</summary>
    /// <param name="questions">The farm.</param>
    public static IReadOnlyList<(string Value, string Text)> WorkChoices(Questions questions) =>
        [
            .. WorkSlip.Choices.Where(w => w.Value != nameof(PondWork.Note)),
            .. questions
                .Products()
                .Select(p => p.Product)
                .Where(p => !p.Dropped)
                .Select(p => (ProductMark + p.ProductId.ToString(CultureInfo.InvariantCulture), "treated: " + p.Name)),
        ];

    /// <summary>A pond's row.</summary>
    /// <param name="pond">The pond.</param>
    /// <param name="cell">What was typed, by column.</param>
    public (IReadOnlyList<NewLine> Lines, IReadOnlyList<Remark> Remarks) Of(Pond pond, Func<string, string> cell)
    {
        var story = questions.Story(pond.Code)!;
        var lines = new List<NewLine>();
        var remarks = new List<Remark>();
        foreach (var (isLate, hour) in new[] { (false, dawn), (true, late) })
        {
            var values = DayColumn
                .All.Where(c => c.Late == isLate && !string.IsNullOrWhiteSpace(cell(c.Key)))
                .ToDictionary(c => c.Value, c => (string?)cell(c.Key));
            if (values.Count == 0)
                continue;
            var stop = new Stopped(Guid.Empty, pond.Code, 0, values, "", [], []);
            var (read, misread) = RoundEntry.Read(stop, story, here.Zone.At(day, hour), here, instruments);
            lines.AddRange(read);
            remarks.AddRange(misread);
        }
        if (new[] { "work", "amount", "note" }.Any(k => cell(k).Trim().Length > 0))
            Worked(story, cell, lines, remarks);
        return (lines, remarks);
    }

    /// <summary>The weather line.</summary>
    /// <param name="cell">What was typed, by parameter.</param>
    public (IReadOnlyList<NewLine> Lines, IReadOnlyList<Remark> Remarks) OfWeather(Func<string, string> cell)
    {
        var typed = When();
        foreach (var p in Weather)
            typed[p.Key] = cell(p.Key);
        return Filled(new WeatherSlip(), typed, null);
    }

    private void Worked(PondStory story, Func<string, string> cell, List<NewLine> lines, List<Remark> remarks)
    {
        var (work, amount, note) = (cell("work").Trim(), cell("amount").Trim(), cell("note").Trim());
        if (work.Length == 0 && amount.Length > 0)
        {
            remarks.Add(Remark.Refuse("amount", $"“{amount}” of what? Choose the work or the product beside it."));
            return;
        }
        var typed = When();
        var isProduct = work.StartsWith(ProductMark, StringComparison.Ordinal);
        if (isProduct)
            (typed["Product"], typed["Amount"], typed["Reason"]) = (work[ProductMark.Length..], amount, note);
        else
        {
            (typed["Work"], typed["Text"]) = (work.Length == 0 ? nameof(PondWork.Note) : work, note);
            typed[ByVolume.Contains(work) ? "Volume" : "Amount"] = amount;
        }
        var (read, misread) = Filled(isProduct ? Treatment : Work, typed, story);
        lines.AddRange(read);
        remarks.AddRange(misread);
    }

    private Dictionary<string, string> When() =>
        new() { ["Day"] = DayText.Of(day), ["Hour"] = late.ToString("HH:mm", CultureInfo.InvariantCulture) };

    private (IReadOnlyList<NewLine>, IReadOnlyList<Remark>) Filled(
        ISlip slip,
        Dictionary<string, string> typed,
        PondStory? story
    )
    {
        var form = new SlipForm(typed, here);
        var filled = slip.Read(form, new(here, questions, story, null));
        return form.Remarks.Count > 0
            ? ([], form.Remarks)
            : ([.. filled.Facts!.Select(f => new NewLine(filled.Happened, f, filled.AsTyped, null))], []);
    }
}
