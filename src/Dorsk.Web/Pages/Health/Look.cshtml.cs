using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The search for the cause of sick or dead fish, step by step at the pond. What is tapped without signal waits on the phone; each step joins what stands by then.</summary>
[Needs(Permission.Look)]
public sealed class LookModel(Questions questions, Door door, Here here) : PageModel
{
    private static readonly TimeSpan LongestWait = TimeSpan.FromDays(2);

    /// <summary>Steps of the look that somebody answers, with their headings.</summary>
    private static readonly (string Group, string Heading)[] Groups =
    [
        ("water", "The water by eye"),
        ("behaviour", "How they swim"),
        ("gills", "Gills of five fish"),
        ("skin", "Skin and fins of five fish"),
        ("gut", "Gut and feeding"),
        ("which", "Which died"),
        ("where", "Where"),
        ("tank", "The tank"),
        ("scope", "Microscope and laboratory"),
    ];

    public PondStory Story { get; private set; } = null!;

    public LookLine? Line { get; private set; }

    public HealthSearch Search { get; private set; } = null!;

    /// <summary>Signs that readings and log tell by themselves.</summary>
    public IReadOnlyList<ReadSign> Told { get; private set; } = [];

    public IReadOnlyList<PanelStep> Panel { get; private set; } = [];

    public IReadOnlyList<string> Aid { get; private set; } = [];

    public IReadOnlyList<Remark> Remarks { get; private set; } = [];

    public Dictionary<string, string> Typed { get; private set; } = [];

    public string Code => Story.Pond.Code;

    public SearchPlace Place => Search.Place;

    /// <summary>Steps that fit this pond, with their signs and their number after water and log.</summary>
    public IEnumerable<(string Heading, List<Sign> Signs, int Number)> Steps =>
        Groups
            .Select(g =>
                (
                    g.Heading,
                    Signs: Sign.All.Where(s => s.Group == g.Group && s.Told == SignTold.Asked && Place.Fits(s.For))
                        .ToList()
                )
            )
            .Where(g => g.Signs.Count > 0)
            .Select((g, i) => (g.Heading, g.Signs, i + 3));

    /// <summary>What somebody said of a sign: yes, no, or empty.</summary>
    public string Said(string sign) =>
        Typed.GetValueOrDefault("s-" + sign)
        ?? (
            Line?.Look.Signs.Where(s => s.Sign == sign).Select(s => (bool?)s.Seen).FirstOrDefault() switch
            {
                true => "yes",
                false => "no",
                _ => "",
            }
        );

    public IActionResult OnGet(string code, [FromQuery] long? id) => Open(code, id) ? Page() : NotFound();

    /// <summary>The part that changes, for a page that looks again.</summary>
    public IActionResult OnGetPart(string code, [FromQuery] long? id) =>
        Open(code, id) ? Partial("_HealthLook", this) : NotFound();

    /// <summary>Saves what was seen at one step.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostSigns(
        string code,
        [FromForm] Guid entry,
        [FromForm] double? ago,
        [FromForm] bool part
    ) => Enter(code, entry, ago, part, (before, form) => (before with { Signs = Joined(before.Signs) }, []));

    /// <summary>Saves values of the water panel as a reading.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostRead(string code, [FromForm] Guid entry, [FromForm] double? ago, [FromForm] bool part) =>
        Enter(code, entry, ago, part, (_, form) => (Reading(form), form.Remarks));

    /// <summary>Saves a note, and what a vet said.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostNote(string code, [FromForm] Guid entry, [FromForm] double? ago, [FromForm] bool part) =>
        Enter(code, entry, ago, part, (before, form) =>
            (before with { Note = form.Text("Note"), Vet = form.Text("Vet") }, [])
        );

    /// <summary>Closes it with what it was.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostClose(
        string code,
        [FromForm] Guid entry,
        [FromForm] double? ago,
        [FromForm] bool part
    ) =>
        Enter(code, entry, ago, part, (before, form) =>
            form.Empty("Cause")
                ? (null, [Remark.Refuse("Cause", "Choose what it was, or that nobody found out.")])
                : (before with { Cause = form.Text("Cause") }, [])
        );

    private IActionResult Enter(
        string code,
        Guid entry,
        double? ago,
        bool part,
        Func<HealthLook, SlipForm, (Fact? Fact, IReadOnlyList<Remark> Remarks)> read
    )
    {
        if (!Open(code, null))
            return NotFound();
        Typed = Request
            .Form.Keys.Where(k => k.Length is > 0 and < 40)
            .ToDictionary(k => k, k => Request.Form[k].ToString());
        var before = Line?.Look ?? new HealthLook(0, Story.Pond.Id, [], "", "", "");
        var (fact, remarks) = read(before, new SlipForm(Typed, here));
        Remarks = remarks;
        if (remarks.Count == 0 && fact is not null)
        {
            var receipt = door.Enter(EntryOf(entry, ago, fact));
            Remarks = receipt.Remarks;
            if (receipt.Accepted)
            {
                Typed = [];
                if (!part)
                    return LocalRedirect(
                        $"/fish-health/look/{Code}{(fact is HealthLook { IsClosed: true } ? $"?id={before.LookId}" : "")}"
                    );
            }
            Open(code, fact is HealthLook { IsClosed: true } && receipt.Accepted ? before.LookId : null);
        }
        return part ? Partial("_HealthLook", this) : Page();
    }

    private Entry EntryOf(Guid entry, double? ago, Fact fact)
    {
        return Entry.Of(
            entry == Guid.Empty ? Guid.NewGuid() : entry,
            here.Author,
            here.TappedAt(ago, LongestWait),
            fact,
            $"{Code} sick fish",
            Request.Form["meant"].OfType<string>().ToList()
        );
    }

    private ReadingTaken? Reading(SlipForm form)
    {
        var instruments = questions.Instruments().Select(i => i.Kept).ToList();
        var values = Panel
            .Where(p => p.Reads.Length > 0)
            .Select(p => Parameter.ByKey(p.Reads))
            .Append(Parameter.Chloride)
            .Select(p => (Parameter: p, Si: form.MaybeQuantity(p.Key, p.Measure)))
            .Where(x => x.Si is not null)
            .Select(x => new Value(x.Parameter, x.Si!.Value, null, InstrumentKept.Usual(instruments, x.Parameter)))
            .ToList();
        if (values.Count == 0 && form.Remarks.Count == 0)
            form.Refuse("do", "Type at least one value.");
        return values.Count == 0 ? null : new(Story.Pond.Id, values);
    }

    // What was answered at this step takes the place of what was said of the same signs before; the other steps stay.
    private IReadOnlyList<(string, bool)> Joined(IReadOnlyList<(string Sign, bool Seen)> before)
    {
        var now = before.ToDictionary(s => s.Sign, s => s.Seen);
        foreach (var sign in Sign.All.Where(s => s.Told == SignTold.Asked))
            switch (Typed.GetValueOrDefault("s-" + sign.Key))
            {
                case "yes":
                    now[sign.Key] = true;
                    break;
                case "no":
                    now[sign.Key] = false;
                    break;
                case "":
                    now.Remove(sign.Key);
                    break;
            }
        return [.. now.OrderBy(s => s.Key, StringComparer.Ordinal).Select(s => (s.Key, s.Value))];
    }

    private bool Open(string code, long? id)
    {
        if (here.Farm is null || questions.Story(code) is not { } story)
            return false;
        Story = story;
        Line =
            id is { } number
                ? story.Health.Open.Concat(story.Health.Closed).FirstOrDefault(l => l.Look.LookId == number)
            : story.Health.Open.Count > 0 ? story.Health.Open[0]
            : null;
        if (id is not null && Line is null)
            return false;
        // A closed one is shown by the water of its last hour.
        var at = Line is { Look.IsClosed: true } closed ? closed.At : here.Now;
        (Search, Told) = story.Health.SearchAt(Line?.Look.Signs ?? [], at);
        Panel = story.Health.Panel(at);
        Aid = FirstAid.Of(story.Health.AtHand(at), here.Hand);
        return true;
    }
}
