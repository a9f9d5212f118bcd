using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The feeding table of a species by size and temperature: the trade's starting values, or the farm's own in their place; every version stays.</summary>
[Needs(Permission.Look)]
public sealed class FeedTableModel(Door door, Questions questions, Here here) : PageModel
{
    private static readonly Measure Percent = Measures.Share with { Decimals = 2, UsDecimals = 2 },
        Mm = new("pellet", new Unit("mm", 1, 0), new Unit("in", 25.4, 0), 1, 3);

    /// <summary>Columns: name in the form, heading, measure.</summary>
    public static readonly IReadOnlyList<(string Name, string Head, Measure Measure)> Columns =
    [
        ("From", "fish from", Measures.FishWeight),
        ("Low", "pellet from", Mm),
        ("High", "to", Mm),
        ("Protein", "protein", Measures.Share),
        ("Ration", "ration a day", Percent),
        ("Temp", "in water of", Measures.Temperature),
    ];

    public FishSpecies Species { get; private set; } = null!;

    public IReadOnlyList<FishSpecies> OnFarm { get; private set; } = [];

    public IReadOnlyList<(DateTimeOffset At, string Author, FeedTableSet Table)> Versions { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public IActionResult OnGet([FromRoute] string? key) => Load(key) is { } no ? no : Page();

    /// <summary>Puts the farm's own table in place.</summary>
    [Needs(Permission.Setup)]
    public IActionResult OnPost([FromRoute] string? key, [FromForm] Guid entry)
    {
        if (Load(key) is { } no)
            return no;
        Typed = Request.Form.ToDictionary(p => p.Key, p => p.Value.ToString());
        var form = new SlipForm(Typed, here);
        List<FeedTableRow> rows = [];
        for (var i = 0; i < FeedTableSet.MostRows; i++)
            if (Columns.Any(c => !form.Empty($"{c.Name}{i}")))
            {
                var v = Columns
                    .Select(c => form.Quantity(FormattableString.Invariant($"{c.Name}{i}"), c.Measure))
                    .ToList();
                // Lines that were left empty between others close up; what is wrong is said where it was typed.
                rows.Add(new(v[0], v[1], v[2], v[3], v[4], v[5]));
                if (rows.Count <= i)
                    form.Refuse(
                        FormattableString.Invariant($"From{i}"),
                        "Fill the lines from the top; an empty one lies above this."
                    );
            }
        if (rows.Count == 0)
            form.Refuse("From0", "Fill one line at least, or go back to the starting values.");
        Remarks = form.Remarks.Count > 0 ? form.Remarks : Enter(rows, entry, "own feeding table");
        return Remarks.Count == 0 ? LocalRedirect("/feed/table/" + Uri.EscapeDataString(Species.Key)) : Refused();
    }

    /// <summary>Goes back to the trade's starting values.</summary>
    [Needs(Permission.Setup)]
    public IActionResult OnPostBack([FromRoute] string? key)
    {
        if (Load(key) is { } no)
            return no;
        Remarks = Enter([], Guid.NewGuid(), "feeding table: starting values");
        return Remarks.Count == 0 ? LocalRedirect("/feed/table/" + Uri.EscapeDataString(Species.Key)) : Refused();
    }

    private IReadOnlyList<Remark> Enter(List<FeedTableRow> rows, Guid entry, string text) =>
        door.Enter(
            Entry.Of(
                entry == Guid.Empty ? Guid.NewGuid() : entry,
                here.Author,
                here.Now,
                new FeedTableSet(Species.Key, rows),
                $"{Species.Name}: {text}"
            )
        ).Remarks;

    private PageResult Refused()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private IActionResult? Load(string? key)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        OnFarm =
        [
            .. questions
                .PondsNow(here.Now)
                .SelectMany(p => p.Batches)
                .Select(b => b.Batch.Species)
                .DistinctBy(s => s.Key),
        ];
        if (questions.Species(key ?? (OnFarm.Count > 0 ? OnFarm[0] : here.AllSpecies[0]).Key, null) is not { } species)
            return NotFound();
        Species = species;
        Versions = questions.FeedTables(species.Key);
        foreach (var (row, i) in Rows().Select((r, i) => (r, i)))
        foreach (
            var ((name, _, measure), value) in Columns.Zip(
                new[] { row.FromG, row.PelletLowMm, row.PelletHighMm, row.ProteinPct, row.RationPct, row.TempC }
            )
        )
            Typed[FormattableString.Invariant($"{name}{i}")] = double.IsNaN(value) ? "" : here.Typed(value, measure);
        return null;
    }

    // The farm's own lines, or the trade's sizes with what its ration table says of them.
    private IEnumerable<FeedTableRow> Rows() =>
        Species.OwnFeeds
        ??
        [
            .. FeedSize
                .For(Species)
                .Take(FeedTableSet.MostRows)
                .Select(s =>
                {
                    var temp = Math.Round(Species.GrowthOptC);
                    var ration = TableRation.For(Species, Math.Max(0.1, s.FromG), temp);
                    return new FeedTableRow(
                        s.FromG,
                        s.SizeMm.Low,
                        s.SizeMm.High,
                        Math.Round((s.ProteinPct.Low + s.ProteinPct.High) / 2),
                        ration is null ? double.NaN : Math.Round(ration.StartPct, 2),
                        temp
                    );
                }),
        ];
}
