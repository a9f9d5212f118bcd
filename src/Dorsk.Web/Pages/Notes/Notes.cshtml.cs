using System.Security.Cryptography;
using System.Text;
using Dorsk.Core.Judging;
using Dorsk.Core.Notebook;
using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.Notes;
using Dorsk.Web.People;
using Dorsk.Web.Phone;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>A line of the notebook on the page.</summary>
/// <param name="Note">As it was read.</param>
/// <param name="Says">What was understood, pond by pond, in words.</param>
/// <param name="Remarks">What the farm has against it.</param>
public sealed record NoteShown(NoteLine Note, IReadOnlyList<string> Says, IReadOnlyList<Remark> Remarks);

/// <summary>The notebook: lines typed or pasted, looked at, recorded; those that were not understood wait to be mended.</summary>
[Needs(Permission.Write)]
public sealed class NotesModel(Questions questions, Door door, Here here) : PageModel
{
    private const int Longest = 20_000,
        MostLines = 200,
        History = 30;

    private static readonly NoteStop Unseen = new(0, "", "written without signal: look at it, then record it");

    /// <summary>What stands in the field.</summary>
    public string Text { get; private set; } = "";

    /// <summary>Number of this form: a line sent twice is entered once.</summary>
    public Guid Form { get; private set; } = Guid.NewGuid();

    /// <summary>What is wrong with the whole text; empty where nothing is.</summary>
    public string Problem { get; private set; } = "";

    /// <summary>Lines as they were read.</summary>
    public IReadOnlyList<NoteShown> Lines { get; private set; } = [];

    /// <summary>Lines recorded and lines kept just now.</summary>
    public (int Recorded, int Kept)? Done { get; private set; }

    /// <summary>Lines that wait to be mended.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, NoteKept Note)> Waiting { get; private set; } = [];

    /// <summary>The line that was to be mended, with what is still against it.</summary>
    public (long Line, NoteShown Shown)? Mending { get; private set; }

    /// <summary>Lines of the log that came from the notebook.</summary>
    public IReadOnlyList<LogRow> Written { get; private set; } = [];

    /// <summary>Questions that were answered with yes.</summary>
    public IReadOnlyList<string> Meant { get; private set; } = [];

    private NoteEntry? entry;

    private NoteEntry Entries => entry ??= new(questions, here);

    /// <summary>The page.</summary>
    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Shown();

    /// <summary>Reads the text and shows what it means; records nothing.</summary>
    public IActionResult OnPostLook(string? text, Guid form)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (Take(text, form))
            Lines = [.. Entries.Reader(here.Now).Read(Text).Select(n => Look(n, write: false))];
        return Shown();
    }

    /// <summary>Records what is understood, keeps what is not, and leaves in the field what is asked back.</summary>
    public IActionResult OnPostRecord(string? text, Guid form)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (!Take(text, form))
            return Shown();
        var read = Entries.Reader(here.Now).Read(Text).Select(n => Look(n, write: true)).ToList();
        Lines = [.. read.Where(l => l.Remarks.Count > 0)];
        var kept = read.Count(l => l.Note.Stop is not null && l.Remarks.Count == 0);
        Done = (read.Count - kept - Lines.Count, kept);
        // What was recorded or kept leaves the field; what is asked back stays. What is typed next is new, even when it reads the same.
        Text = string.Join("\n", Lines.Select(l => l.Note.Text));
        Form = Guid.NewGuid();
        return Shown();
    }

    /// <summary>Keeps notes that a phone wrote without signal: as text, at the hour at which they were written, to be looked at before they are recorded.</summary>
    public IActionResult OnPostKeep(string? text, Guid form)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (!Take(text, form))
            return new JsonResult(new KeptAnswer(false, Problem, [], ""));
        var at = KeptEntry.Instant(here, KeptEntry.WaitedS(Request.Form));
        var lines = Entries.Reader(at).Read(Text).Select(n => Wait(n, at, Unseen)).ToList();
        var wrong = lines.SelectMany(l => l.Remarks).Select(r => r.Text).ToList();
        return new JsonResult(new KeptAnswer(wrong.Count == 0, string.Join(' ', wrong), [], "/notes"));
    }

    /// <summary>Reads a kept line again as it was mended, and records it in place of the kept one. Its hours count from when it was written.</summary>
    public IActionResult OnPostMend(long line, string? text, Guid form)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (questions.NotesWaiting().FirstOrDefault(n => n.Line == line) is not { Note: not null } kept)
            return NotFound();
        Form = form;
        Meant = [.. Request.Form["meant"].OfType<string>()];
        var note = Entries.Reader(kept.At).ReadLine((text ?? "").Trim());
        var shown = note.Stop is null ? Enter(note, [new(here.Now, null, "mended", line)]) : Say(note, []);
        if (note.Stop is null && shown.Remarks.Count == 0)
            Done = (1, 0);
        else
            Mending = (line, shown);
        return Shown();
    }

    private bool Take(string? text, Guid form)
    {
        Text = text ?? "";
        Form = form == Guid.Empty ? Guid.NewGuid() : form;
        Meant = [.. Request.Form["meant"].OfType<string>()];
        if (string.IsNullOrWhiteSpace(Text))
            Problem = "Nothing is typed here yet. A line such as: P4 do 6 06:10";
        else if (Text.Length > Longest || Text.Split('\n').Length > MostLines)
            Problem = $"At most {MostLines} lines and {here.Count(Longest)} letters at a time: take them in two parts.";
        return Problem.Length == 0;
    }

    private NoteShown Look(NoteLine note, bool write)
    {
        if (note.Stop is null)
            return write ? Enter(note, []) : Preview(note);
        if (!write)
            return Say(note, []);
        return Wait(note, here.Now, note.Stop);
    }

    private NoteShown Wait(NoteLine note, DateTimeOffset at, NoteStop otherwise)
    {
        var stop = note.Stop ?? otherwise;
        var kept = new NoteKept(note.Text, stop.At, stop.Word, stop.Why);
        var entry = Entry.Of(IdOf(note.Text), here.Author, at, kept, Questions.NoteTyped + note.Text);
        return Say(note, door.Enter(entry).Remarks);
    }

    /// <summary>What a line that waits means, read anew; null where it is not understood.</summary>
    public NoteShown? Understood(DateTimeOffset at, NoteKept kept) =>
        Entries.Reader(at).ReadLine(kept.Text) is { Stop: null } note ? Say(note, []) : null;

    private NoteShown Say(NoteLine note, IReadOnlyList<Remark> remarks) =>
        new(note, [.. note.Parts.Select(Entries.Say)], remarks);

    private NoteShown Preview(NoteLine note)
    {
        var (lines, remarks) = Entries.Lines(note);
        return Say(
            note,
            remarks.Count > 0 ? remarks : door.Preview(new(Guid.NewGuid(), here.Author, lines, Meant)).Remarks
        );
    }

    private NoteShown Enter(NoteLine note, IReadOnlyList<NewLine> beside)
    {
        var (lines, remarks) = Entries.Lines(note);
        if (remarks.Count > 0)
            return Say(note, remarks);
        return Say(note, door.Enter(new(IdOf(note.Text), here.Author, [.. lines, .. beside], Meant)).Remarks);
    }

    /// <summary>When a line says that it happened.</summary>
    public DateTimeOffset AtOf(NoteLine note) => Entries.At(note);

    private readonly Dictionary<string, int> met = [];

    // The same line of the same form has the same number, however often it is sent; written twice in one text it is two lines.
    private Guid IdOf(string text)
    {
        met[text] = met.GetValueOrDefault(text) + 1;
        return new(SHA256.HashData(Encoding.UTF8.GetBytes($"{Form}{met[text]}{text}")).AsSpan(0, 16));
    }

    private PageResult Shown()
    {
        Waiting = questions.NotesWaiting();
        Written = questions.NotesWritten(History);
        return Page();
    }
}
