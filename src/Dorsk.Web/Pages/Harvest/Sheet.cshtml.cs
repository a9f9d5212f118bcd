using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A batch in one pond on the season sheet.</summary>
/// <param name="Story">The pond.</param>
/// <param name="Batch">The batch.</param>
/// <param name="Result">Its books, added up.</param>
/// <param name="Figures">Its figures; null where nothing stands and nothing was taken.</param>
/// <param name="Kills">Kills written up in its time here.</param>
public sealed record SeasonRow(
    PondStory Story,
    BatchStory Batch,
    CycleResult Result,
    CycleFigures? Figures,
    IReadOnlyList<KillReport> Kills
)
{
    /// <summary>Fish that went to an account.</summary>
    public int Of(Account account) => Result.Out.GetValueOrDefault(account);

    // Breeders that hardly grow have no conversion worth a figure.
    private const double MostFcr = 20;

    /// <summary>FCR; null without gain, or with next to none.</summary>
    public double? Fcr => Result.Fcr is <= MostFcr ? Result.Fcr : null;

    /// <summary>Feed money per kg gained; null without gain, with next to none, or where a price is missing.</summary>
    public double? FeedCost => Fcr is null ? null : Figures?.FeedCostPerKg;

    /// <summary>Treatments it had here.</summary>
    public int Treatments => Story.Health.Had(Batch.Id, Batch.EmptiedAt ?? DateTimeOffset.MaxValue).Count();
}

/// <summary>The season sheet: every batch that stood here in a year, stocked, fed, lost, taken, with what it came to; printed and as CSV.</summary>
[Needs(Permission.Look)]
public sealed class SeasonSheetModel(Questions questions, Here here) : PageModel
{
    private static readonly string[] Headings =
    [
        "pond",
        "fish",
        "from",
        "to",
        "stocked",
        "fed kg",
        "dead",
        "eaten",
        "escaped",
        "moved on",
        "unexplained",
        "taken fish",
        "taken kg",
        "survival %",
        "FCR",
        "feed cost per kg",
        "mornings under watch",
        "treatments",
        "kills",
    ];

    /// <summary>The first day of the twelve months that are shown.</summary>
    public DateOnly From { get; private set; }

    /// <summary>Their last day.</summary>
    public DateOnly To => From.AddYears(1).AddDays(-1);

    public IReadOnlyList<SeasonRow> Rows { get; private set; } = [];

    public IActionResult OnGet([FromQuery] string? from) => Open(from) ? Page() : Redirect("/slip/farm");

    /// <summary>The same as a list.</summary>
    public IActionResult OnGetCsv([FromQuery] string? from)
    {
        if (!Open(from))
            return Redirect("/slip/farm");
        return CsvAnswer.Of(
            Rows.Select(CellsOf).Prepend(Headings),
            here,
            $"season-{From.ToString("yyyy-MM", CultureInfo.InvariantCulture)}"
        );
    }

    // A year that ends with the month of today, or the one that begins on a typed day.
    private bool Open(string? from)
    {
        if (here.Farm is null)
            return false;
        var month = new DateOnly(here.Today.Year, here.Today.Month, 1);
        From =
            DateOnly.TryParseExact(from, "yyyy-MM-dd", out var typed) && typed.Year is > 1990 and < 2200
                ? typed
                : month.AddMonths(-11);
        var priceOf = questions.FeedPrices();
        Rows =
        [
            .. questions
                .Stories(_ => true)
                .SelectMany(s => RowsOf(s, priceOf))
                .OrderBy(r => r.Story.Pond.Code, StringComparer.Ordinal)
                .ThenBy(r => r.Batch.ArrivedAt),
        ];
        return true;
    }

    private IEnumerable<SeasonRow> RowsOf(PondStory story, Func<long, double?> priceOf)
    {
        var kills = questions.Kills(story, here.Now);
        return questions
            .Cycles(story, here.Now)
            .Where(n => Overlaps(story, n.Batch))
            .Select(n => new SeasonRow(
                story,
                n.Batch,
                n.Result,
                story.Cycles.Of(n.Batch, n.Result, here.Today, priceOf),
                [.. kills.Where(k => k.Fact.Began >= n.Batch.ArrivedAt && !(k.Fact.Began > n.Batch.EmptiedAt))]
            ));
    }

    private bool Overlaps(PondStory story, BatchStory batch) =>
        story.Zone.DayOf(batch.ArrivedAt) <= To
        && (batch.EmptiedAt is not { } emptied || story.Zone.DayOf(emptied) >= From);

    // Always so many decimals, with the farm's sign.
    private string N(double? value, int decimals) =>
        value
            ?.ToString("F" + decimals, CultureInfo.InvariantCulture)
            .Replace('.', here.Hand.Sign == Core.Units.DecimalSign.Comma ? ',' : '.')
        ?? "";

    private object?[] CellsOf(SeasonRow r)
    {
        string Day(DateTimeOffset at) => r.Story.Zone.DayOf(at).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        return
        [
            r.Story.Pond.Code,
            r.Batch.Species.Name,
            Day(r.Batch.ArrivedAt),
            r.Batch.EmptiedAt is { } emptied ? Day(emptied) : "",
            r.Result.Stocked,
            N(r.Result.FedKg, 1),
            r.Of(Account.Dead),
            r.Of(Account.Eaten),
            r.Of(Account.Escaped),
            r.Result.MovedOut,
            r.Result.UnexplainedCount,
            r.Of(Account.Harvested) + r.Of(Account.SoldAlive) + r.Of(Account.MovedOff),
            N(r.Result.CaughtKg, 1),
            N(r.Result.SurvivalPct, 1),
            N(r.Fcr, 2),
            N(r.FeedCost, 2),
            r.Figures?.BadMornings,
            r.Treatments,
            r.Kills.Count,
        ];
    }
}
