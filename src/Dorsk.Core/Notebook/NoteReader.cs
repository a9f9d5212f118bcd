using System.Globalization;
using System.Text.RegularExpressions;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Notebook;

/// <summary>
/// Reads lines of a notebook by rules, never by guessing: ponds by code or name, readings, feed, dead fish, samples, a day and an hour, in any order
/// behind the pond. What can be read two ways, and every word that is not understood, stops the line there.
/// </summary>
/// <param name="farm">What notes may speak of.</param>
public sealed partial class NoteReader(NoteFarm farm)
{
    private const int LongestLine = 500;

    private static readonly string[] AsNitrogen = ["nh3-n", "nh4-n", "no2-n"],
        Unclear = ["ammonia", "ammonium", "nitrite"];

    private static readonly string[] Fed = ["fed", "feed"],
        Dead = ["dead", "died", "mort", "morts"],
        Sample = ["sample", "sampled", "weighed"],
        Score = ["score", "appetite"],
        Fish = ["fish", "pcs"],
        Filler = ["of", "at", "and", "was", "is", "the", "in"];

    // "t" is a tonne and a temperature: a note says temp. What is described by steps is no figure.
    private static readonly Dictionary<string, Parameter> Names = ParameterWords
        .All.SelectMany(p => p.Words.Select(w => (w, p.Parameter)))
        .Where(p => p.w != "t" && p.Parameter.Steps.Count == 0)
        .Concat(AsNitrogen.Select(w => (w, w.StartsWith('n') && w[1] == 'h' ? Parameter.Tan : Parameter.Nitrite)))
        .ToDictionary(p => p.Item1, p => p.Item2);

    /// <summary>Reads many lines; empty ones are left out.</summary>
    /// <param name="text">The text as typed or pasted.</param>
    public IReadOnlyList<NoteLine> Read(string text) =>
        [.. text.Split('\n', '\r').Select(l => l.Trim()).Where(l => l.Length > 0).Select(ReadLine)];

    /// <summary>Reads one line.</summary>
    /// <param name="line">The line.</param>
    public NoteLine ReadLine(string line)
    {
        var (writer, stamp, from) = Front(line);
        var state = new State(farm, line, new(farm) { Stamp = stamp });
        var stop =
            line.Length > LongestLine
                ? new NoteStop(LongestLine, "", $"at most {LongestLine} letters a line")
                : Walk(state, NoteWords.Of(line, from, IsName));
        var (at, late) = state.When.At();
        stop ??= late;
        return new(line, writer, at, state.Corrects, stop is null ? state.Parts : [], stop);
    }

    private static bool IsName(string low) =>
        Names.ContainsKey(low)
        || Fed.Contains(low)
        || Dead.Contains(low)
        || Sample.Contains(low)
        || Score.Contains(low);

    private NoteStop? Walk(State s, IReadOnlyList<NoteWord> words)
    {
        for (var i = 0; i < words.Count; )
        {
            var word = words[i];
            var before = i;
            if (Frame(s, words, ref i) is { } wrong)
                return wrong;
            if (i == before && Fact(s, words, ref i) is { } stop)
                return stop;
            if (i == before)
                return new(
                    word.At,
                    word.Text,
                    "not understood: a pond, do, temp, ph and the like, fed, dead, sample, a day or an hour"
                );
        }
        if (s.Pond is null)
            return new(s.Line.Length, "", "no pond is named");
        return s.Close() is { } nothing ? new(s.PondWord.At, s.PondWord.Text, nothing) : null;
    }

    // What facts belong to: the line that is corrected, a pond, a day or an hour; leaves the place as it is where there is none.
    private NoteStop? Frame(State s, IReadOnlyList<NoteWord> words, ref int i)
    {
        var word = words[i];
        if (i == 0 && word.Low is "correct" or "corrects")
        {
            if (
                !long.TryParse(
                    words.ElementAtOrDefault(1).Text,
                    NumberStyles.None,
                    CultureInfo.InvariantCulture,
                    out var line
                )
            )
                return End(words, 1, "the number of the line of the log that is corrected");
            s.Corrects = line;
            i = 2;
        }
        else if (PondAt(words, i, out var length) is { } pond)
        {
            if (s.Close() is { } empty)
                return new(s.PondWord.At, s.PondWord.Text, empty);
            (s.Pond, s.PondWord) = (pond, word);
            i += length;
        }
        else if (s.When.Is(words, i) && s.When.Take(words, ref i) is { } wrong)
            return new(word.At, word.Text, wrong);
        return null;
    }

    // A fact at a word; leaves the place as it is where there is none.
    private NoteStop? Fact(State s, IReadOnlyList<NoteWord> words, ref int i)
    {
        var word = words[i];
        var low = word.Low;
        if (Filler.Contains(low))
        {
            i++;
            return null;
        }
        var counted = i + 1 < words.Count && Dead.Contains(words[i + 1].Low);
        if (!counted && !IsName(low))
            return null;
        if (s.Pond is null)
            return new(word.At, word.Text, "name the pond before it");
        if (counted)
            return DeadAt(s, words, ref i, i, i + 2);
        if (Dead.Contains(low))
            return DeadAt(s, words, ref i, i + 1, i + 2);
        if (Fed.Contains(low))
            return FedAt(s, words, ref i);
        if (Sample.Contains(low))
            return SampleAt(s, words, ref i);
        if (Score.Contains(low))
            return new(word.At, word.Text, "a score stands behind the feed it belongs to: fed 42 kg score 3");
        return ReadingAt(s, words, ref i, Names[low]);
    }

    private NoteStop? ReadingAt(State s, IReadOnlyList<NoteWord> words, ref int i, Parameter parameter)
    {
        var name = words[i++];
        while (i < words.Count && Filler.Contains(words[i].Low))
            i++;
        if (Unclear.Contains(name.Low))
            return new(name.At, name.Text, "kits differ: say tan, nh4-n, nh4 or nh3, and no2-n or no2");
        if (Amount(words, ref i, parameter.Measure, out var si) is { } stop)
            return stop;
        si *= Share(name.Low);
        if (s.Facts.OfType<NoteReading>().Any(r => r.Parameter == parameter))
            return new(name.At, name.Text, "read twice in one line: write a line of its own for it");
        s.Facts.Add(new NoteReading(parameter, si));
        return null;
    }

    // A kit that tells the ion tells more than its nitrogen.
    private static double Share(string name) =>
        KitBasis
            .Ammonia.Concat(KitBasis.Nitrite)
            .FirstOrDefault(b => b.Key.Equals(name, StringComparison.OrdinalIgnoreCase))
            is { NitrogenShare: > 0 } kit
            ? kit.NitrogenShare
            : 1;

    private NoteStop? FedAt(State s, IReadOnlyList<NoteWord> words, ref int i)
    {
        i++;
        if (Amount(words, ref i, Measures.Mass, out var kg) is { } stop)
            return stop;
        if (kg <= 0)
            return new(words[i - 1].At, words[i - 1].Text, "feed given is above 0");
        if (FeedNamed(Words(words, ref i), out var feed) is { } unknown)
            return unknown;
        int? score = null;
        if (i < words.Count && Score.Contains(words[i].Low))
        {
            i++;
            if (Whole(words, i, 0, 4, out var n) is { } wrong)
                return wrong;
            score = n;
            i++;
        }
        s.Facts.Add(new NoteFed(kg, feed, score));
        return null;
    }

    // One kind of the store, by its name or by words of it that no other has.
    private NoteStop? FeedNamed(List<NoteWord> name, out long? feed)
    {
        feed = null;
        if (name.Count == 0)
            return null;
        var wanted = string.Join(' ', name.Select(w => w.Low));
        var found = farm.Feeds.Where(f => f.Name.Equals(wanted, StringComparison.OrdinalIgnoreCase)).ToList();
        if (found.Count == 0)
            found =
            [
                .. farm.Feeds.Where(f =>
                    name.TrueForAll(w => f.Name.Split(' ').Contains(w.Text, StringComparer.OrdinalIgnoreCase))
                ),
            ];
        if (found.Count != 1)
            return new(
                name[0].At,
                name[0].Text,
                found.Count == 0 ? "no feed of the store has this name" : "more than one feed has this name"
            );
        feed = found[0].Id;
        return null;
    }

    private NoteStop? DeadAt(State s, IReadOnlyList<NoteWord> words, ref int i, int figure, int next)
    {
        if (Whole(words, figure, 1, 100_000_000, out var count) is { } stop)
            return stop;
        i = next;
        if (i < words.Count && Fish.Contains(words[i].Low))
            i++;
        s.Facts.Add(new NoteDead(count, string.Join(' ', Words(words, ref i).Select(w => w.Text))));
        return null;
    }

    private NoteStop? SampleAt(State s, IReadOnlyList<NoteWord> words, ref int i)
    {
        i++;
        if (Whole(words, i, 1, 1_000_000, out var count) is { } stop)
            return stop;
        i++;
        while (i < words.Count && (Fish.Contains(words[i].Low) || Filler.Contains(words[i].Low)))
            i++;
        if (Amount(words, ref i, Measures.Mass, out var kg) is { } wrong)
            return wrong;
        if (kg <= 0)
            return new(words[i - 1].At, words[i - 1].Text, "their mass is above 0");
        s.Facts.Add(new NoteSample(count, kg));
        return null;
    }

    // Words up to the next name, pond, day or hour.
    private List<NoteWord> Words(IReadOnlyList<NoteWord> words, ref int i)
    {
        List<NoteWord> taken = [];
        for (; i < words.Count; i++)
        {
            var counted = i + 1 < words.Count && Dead.Contains(words[i + 1].Low) && char.IsAsciiDigit(words[i].Text[0]);
            if (counted || IsName(words[i].Low) || PondAt(words, i, out _) is not null || farmWhen.Is(words, i))
                break;
            taken.Add(words[i]);
        }
        return taken;
    }

    private readonly NoteWhen farmWhen = new(farm);

    // A figure, and its unit where the next word is one.
    private NoteStop? Amount(IReadOnlyList<NoteWord> words, ref int i, Measure measure, out double si)
    {
        si = 0;
        if (i >= words.Count)
            return End(words, i, $"a figure of {measure.Name}");
        var word = words[i];
        if (!word.Text.Any(char.IsAsciiDigit))
            return new(word.At, word.Text, $"a figure of {measure.Name} is wanted here");
        var unit =
            i + 1 < words.Count && char.IsLetter(word.Text[^1]) is false && measure.Find(words[i + 1].Text) is not null
                ? words[i + 1].Text
                : "";
        var read = QuantityText.Read($"{word.Text} {unit}".Trim(), measure, farm.Hand);
        if (read.Si is not { } value)
            return new(word.At, word.Text, read.Problem ?? "not a figure");
        if (!double.IsFinite(value))
            return new(word.At, word.Text, "not a figure");
        si = value;
        i += unit.Length > 0 ? 2 : 1;
        return null;
    }

    private NoteStop? Whole(IReadOnlyList<NoteWord> words, int i, int low, int high, out int n)
    {
        n = 0;
        if (i >= words.Count)
            return End(words, i, "a whole number");
        var read = NumberText.ReadWhole(words[i].Text, farm.Hand.Sign);
        if (read.Value is not { } value || value != Math.Floor(value))
            return new(words[i].At, words[i].Text, "a whole number is wanted here");
        if (value < low || value > high)
            return new(words[i].At, words[i].Text, string.Create(CultureInfo.InvariantCulture, $"{low} to {high}"));
        n = (int)value;
        return null;
    }

    private static NoteStop End(IReadOnlyList<NoteWord> words, int i, string wanted) =>
        i < words.Count
            ? new(words[i].At, words[i].Text, $"{wanted} is wanted here")
            : new(words.Count > 0 ? words[^1].At + words[^1].Text.Length : 0, "", $"{wanted} is wanted here");

    // By its code, or by its name of up to four words.
    private NotePond? PondAt(IReadOnlyList<NoteWord> words, int i, out int length)
    {
        length = 1;
        var low = words[i].Low.TrimEnd(':');
        foreach (var p in farm.Ponds)
            if (p.Code.Equals(low, StringComparison.OrdinalIgnoreCase))
                return p;
        for (var n = Math.Min(4, words.Count - i); n > 0; n--)
        {
            var said = string.Join(' ', words.Skip(i).Take(n).Select(w => w.Text)).TrimEnd(':');
            foreach (var p in farm.Ponds)
                if (p.Name.Length > 0 && p.Name.Equals(said, StringComparison.OrdinalIgnoreCase))
                {
                    length = n;
                    return p;
                }
        }
        return null;
    }

    // "[21/01/27, 06:12:33] Ann: text" and "21/1/2027, 06:12 - Ann: text".
    private (string Writer, DateTime? Stamp, int From) Front(string line)
    {
        var m = Message().Match(line);
        if (!m.Success)
            return ("", null, 0);
        var order = farm.Hand.System == UnitSystem.Us ? DayOrder.MonthFirst : DayOrder.DayFirst;
        return
            SheetWhen.TryDay(m.Groups["day"].Value, order, out var day)
            && SheetWhen.TryHour(m.Groups["hour"].Value, out var hour)
            ? (m.Groups["who"].Value.Trim(), day.ToDateTime(hour), m.Length)
            : ("", null, 0);
    }

    [GeneratedRegex(
        @"^\[?(?<day>\d{1,4}[/.\-]\d{1,2}[/.\-]\d{1,4}),?\s+(?<hour>\d{1,2}:\d{2}(?::\d{2})?(?:\s?[AaPp][Mm])?)\]?\s*(?:-\s*)?(?<who>[^:\d]{1,40}):\s+",
        RegexOptions.None,
        200
    )]
    private static partial Regex Message();

    private sealed class State(NoteFarm farm, string line, NoteWhen when)
    {
        public string Line => line;

        public NoteWhen When => when;

        public NotePond? Pond { get; set; }

        public NoteWord PondWord { get; set; }

        public long? Corrects { get; set; }

        public List<NoteFact> Facts { get; private set; } = [];

        public List<NotePart> Parts { get; } = [];

        // What was told of the pond so far is a part; why it cannot be one.
        public string? Close()
        {
            if (Pond is not { } pond)
                return null;
            if (Facts.Count == 0)
                return "nothing is told of this pond";
            if (Parts.Exists(p => p.PondId == pond.Id))
                return $"{farm.Ponds.First(p => p.Id == pond.Id).Code} is named twice: write a line of its own for it";
            Parts.Add(new(pond.Id, pond.Code, Facts));
            Facts = [];
            return null;
        }
    }
}
