using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The fish ledger of the farm: a picture of what flowed between accounts, statements, and every fish that left traced to its source.</summary>
[Needs(Permission.Look)]
public sealed class FishModel(Questions questions, Here here) : PageModel
{
    private const int Newest = 60;

    public IReadOnlyList<(long Batch, DateTimeOffset At, FishStocked Fact)> Batches { get; private set; } = [];

    public (long Batch, DateTimeOffset At, FishStocked Fact)? Chosen { get; private set; }

    public FishFlow Flow { get; private set; } = new([]);

    public FlowPicture Picture { get; private set; } = null!;

    public IReadOnlyDictionary<long, string> Ponds { get; private set; } = new Dictionary<long, string>();

    /// <summary>The pond whose statement is shown, or null: the whole farm.</summary>
    public long? PondId { get; private set; }

    /// <summary>Movements shown, newest first, with their batch and what stood after them: in the pond, or in all ponds of the farm.</summary>
    public IReadOnlyList<(long Batch, Movement Movement, long In, long Out, long Balance)> Lines { get; private set; } =
    [];

    /// <summary>Older lines that are not shown.</summary>
    public int Older { get; private set; }

    public IReadOnlyList<Quarantine> Held { get; private set; } = [];

    public IActionResult OnGet([FromQuery] long? batch, [FromQuery] string? pond, [FromQuery] bool all)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Batches = questions.Stockings(here.Now);
        Chosen = Batches
            .Where(b => b.Batch == batch)
            .Select(b => ((long, DateTimeOffset, FishStocked)?)b)
            .FirstOrDefault();
        Ponds = questions
            .Ponds()
            .Concat(questions.ArchivedPonds().Select(p => p.Pond))
            .ToDictionary(p => p.Id, p => p.Code);
        Held = questions.Quarantines(here.Now);
        PondId = Ponds.Where(p => p.Value == pond).Select(p => (long?)p.Key).FirstOrDefault();
        var of = PondId ?? 0;
        var moves = questions
            .Movements(here.Now)
            .Where(m => Chosen is null || m.Key == Chosen.Value.Batch)
            .SelectMany(m => m.Value.Select(x => (Batch: m.Key, Movement: x)))
            .Where(x => of == 0 || x.Movement.Postings.Any(p => p.PondId == of))
            .ToList();
        Flow = FishFlow.Of(moves.Select(x => x.Movement));
        Picture = FlowPicture.Of(Flow, p => Name(p));
        Lines = [.. Statement(moves, PondId).Reverse().Take(all ? int.MaxValue : Newest)];
        Older = Math.Max(0, moves.Count - Lines.Count);
        return Page();
    }

    // As a bank writes it: what came, what went, what stood after each line. Fish that move between two ponds of the farm do both.
    private static IEnumerable<(long Batch, Movement Movement, long In, long Out, long Balance)> Statement(
        IEnumerable<(long Batch, Movement Movement)> all,
        long? pond
    )
    {
        long balance = 0;
        foreach (var (batch, m) in all.OrderBy(x => x.Movement.Happened).ThenBy(x => x.Movement.Line))
        {
            var here = m.Postings.Where(p => p.Account == Account.Pond && (pond is null || p.PondId == pond)).ToList();
            var (came, went) = (
                here.Where(p => p.Count > 0).Sum(p => (long)p.Count),
                -here.Where(p => p.Count < 0).Sum(p => (long)p.Count)
            );
            balance += came - went;
            yield return (batch, m, came, went, balance);
        }
    }

    /// <summary>A place in words.</summary>
    public string Name(FlowPlace place) =>
        place.Account == Account.Pond ? Ponds.GetValueOrDefault(place.PondId ?? 0, "?")
        : place.Account == Account.Supplier ? "delivered"
        : Words.Of(place.Account);

    /// <summary>A batch in words.</summary>
    public string Name(long batch) =>
        Batches.FirstOrDefault(b => b.Batch == batch) is { Fact: { } f } b
            ? $"{FishSpecies.Find(f.SpeciesKey)?.Name ?? f.SpeciesKey}, {here.Day(here.Zone.DayOf(b.At))}"
            : "";
}
