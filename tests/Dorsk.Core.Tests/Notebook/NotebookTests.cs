using System.Globalization;
using Dorsk.Core.Notebook;
using Dorsk.Core.Units;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Notebook;

/// <summary>Notes of one line: a file of lines with their meaning, facts printed and read back, and letters at random.</summary>
public class NotebookTests
{
    private static readonly string[] Codes = ["P1", "P2", "P3", "P4", "P5", "P6", "N1", "N2", "T1", "T2", "T3"];
    private static readonly (long, string)[] Feeds = [(1, "starter crumble"), (2, "grower 3 mm"), (3, "finisher 6 mm")];

    private static NoteReader Reader(Hand hand) =>
        new(
            new(
                hand,
                new(2027, 1, 21, 17, 40, 0),
                [.. Codes.Select((c, i) => new NotePond(i + 1, c, c == "P4" ? "Long pond" : ""))],
                Feeds
            )
        );

    private static string N(double v) => Math.Round(v, 4).ToString("0.####", CultureInfo.InvariantCulture);

    private static string Print(NoteFact fact) =>
        fact switch
        {
            NoteReading r => $"{ParameterWords.All.First(p => p.Parameter == r.Parameter).Words[0]} {N(r.Si)}",
            NoteFed f => $"fed {N(f.Kg)}"
                + (f.FeedId is { } id ? " " + Feeds.First(x => x.Item1 == id).Item2 : "")
                + (f.Score is { } s ? $" score {s}" : ""),
            NoteDead d => $"dead {d.Count} {d.Cause}".TrimEnd(),
            NoteSample s => $"sample {s.Count} {N(s.Kg)}",
            _ => throw new InvalidOperationException(),
        };

    private static string Print(NoteLine line) =>
        line.Stop is { } stop
            ? $"! {(stop.Word.Length > 0 ? stop.Word : "-end")}"
            : (line.Corrects is { } n ? $"#{n} " : "")
                + (line.Writer.Length > 0 ? $"@{line.Writer} " : "")
                + line.At.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture)
                + string.Concat(line.Parts.Select(p => $" | {p.Code}: {string.Join("; ", p.Facts.Select(Print))}"));

    [Fact]
    public void Every_line_of_the_file_means_what_stands_beside_it()
    {
        var reader = Reader(Hand.Metric);
        var (lines, wrong) = (0, 0);
        List<string> differ = [];
        foreach (var row in File.ReadLines(Path.Combine(AppContext.BaseDirectory, "Notebook", "lines.txt")))
        {
            if (row.StartsWith('#'))
                continue;
            if (row.StartsWith('['))
            {
                if (row == "[us]" || row == "[comma]")
                {
                    reader = Reader(row == "[us]" ? Hand.Us : new(UnitSystem.Metric, DecimalSign.Comma));
                    continue;
                }
            }
            var parts = row.Split('\t');
            var read = reader.ReadLine(parts[0]);
            lines++;
            wrong += read.Stop is null ? 0 : 1;
            // The marked word stands in the line where it says.
            Assert.True(
                read.Stop is not { } stop
                    || string.CompareOrdinal(read.Text, stop.At, stop.Word, 0, stop.Word.Length) == 0
            );
            if (Print(read) != parts[1])
                differ.Add($"{parts[0]}\n  read   {Print(read)} ({read.Stop?.Why})\n  wanted {parts[1]}");
        }
        Assert.True(differ.Count == 0, string.Join('\n', differ));
        Assert.True(lines >= 300 && wrong >= 60, $"{lines} lines, {wrong} wrong");
    }

    private static readonly Parameter[] Read =
    [
        Parameter.Oxygen,
        Parameter.Temperature,
        Parameter.Ph,
        Parameter.Secchi,
        Parameter.Alkalinity,
        Parameter.Salinity,
        Parameter.Nitrate,
        Parameter.GaugeLevel,
    ];

    private static NoteFact Draw(Random draw, Parameter parameter) =>
        draw.Next(4) switch
        {
            0 => new NoteFed(draw.Next(1, 900) / 10.0, draw.Next(1, 4), draw.Next(5)),
            1 => new NoteDead(draw.Next(1, 3000), draw.Next(2) == 0 ? "" : "red gills"),
            2 => new NoteSample(draw.Next(1, 300), draw.Next(1, 900) / 10.0),
            _ => new NoteReading(parameter, draw.Next(1, 90) / 10.0),
        };

    private static string Typed(NoteFact fact, Hand hand) =>
        fact switch
        {
            NoteReading r =>
                $"{ParameterWords.All.First(p => p.Parameter == r.Parameter).Words[^1].Replace("t", r.Parameter == Parameter.Temperature ? "temp" : "t", StringComparison.Ordinal)} {QuantityText.Typed(r.Si, r.Parameter.Measure, hand)}",
            NoteFed f =>
                $"fed {QuantityText.Typed(f.Kg, Measures.Mass, hand)} {Feeds[(int)f.FeedId! - 1].Item2} score {f.Score}",
            NoteDead d => $"dead {d.Count} {d.Cause}",
            NoteSample s => $"sample {s.Count} fish {QuantityText.Typed(s.Kg, Measures.Mass, hand)}",
            _ => "",
        };

    // What a farm of other units types is good for six figures.
    private static string Rough(NoteFact fact) =>
        Print(
            fact switch
            {
                NoteFed f => f with { Kg = Math.Round(f.Kg, 2) },
                NoteSample s => s with { Kg = Math.Round(s.Kg, 2) },
                NoteReading r => r with { Si = Math.Round(r.Si, 3) },
                _ => fact,
            }
        );

    [Fact]
    public void Facts_printed_as_a_line_are_read_back()
    {
        var draw = new Random(24);
        Hand[] hands = [Hand.Metric, Hand.Us, new(UnitSystem.Metric, DecimalSign.Comma)];
        for (var n = 0; n < 3000; n++)
        {
            var hand = hands[n % 3];
            var ponds = Codes.OrderBy(_ => draw.Next()).Take(draw.Next(1, 4)).ToList();
            var told = ponds.ConvertAll(p =>
                (
                    Code: p,
                    Facts: Read.OrderBy(_ => draw.Next()).Take(draw.Next(1, 4)).Select(r => Draw(draw, r)).ToList()
                )
            );
            var line = string.Join(
                " ",
                told.Select(t =>
                    $"{t.Code} {string.Join(draw.Next(2) == 0 ? " " : ", ", t.Facts.Select(f => Typed(f, hand)))}"
                )
            );
            var read = Reader(hand).ReadLine(line + " 06:10");
            Assert.True(read.Stop is null, $"{line}: {read.Stop}");
            Assert.Equal(
                string.Join(" | ", told.Select(t => $"{t.Code}: {string.Join("; ", t.Facts.Select(Rough))}")),
                string.Join(" | ", read.Parts.Select(p => $"{p.Code}: {string.Join("; ", p.Facts.Select(Rough))}"))
            );
            Assert.Equal(new DateTime(2027, 1, 21, 6, 10, 0), read.At);
        }
    }

    [Fact]
    public void Letters_at_random_never_throw_and_tell_nothing()
    {
        var draw = new Random(7);
        const string Letters = "abcdefghijklmnopqrstuvwxyz0123456789 .,:;/-+'\"[]()@#%°µ\t\\\u2009\ud83d\u00e9P";
        string[] words =
        [
            "P4",
            "do",
            "fed",
            "3.1",
            "kg",
            "dead",
            "06:10",
            "[",
            "x",
            "sample",
            "yesterday",
            "-",
            ":",
            "1/2",
            "score",
            "°C",
        ];
        var reader = Reader(Hand.Metric);
        for (var n = 0; n < 20_000; n++)
        {
            var half = n % 2 == 0;
            var text = half
                ? new string([.. Enumerable.Range(0, draw.Next(1, 60)).Select(_ => Letters[draw.Next(Letters.Length)])])
                : string.Join(' ', Enumerable.Range(0, draw.Next(1, 9)).Select(_ => words[draw.Next(words.Length)]));
            foreach (var line in reader.Read(text))
            {
                Assert.True(line.Stop is null || line.Parts.Count == 0);
                // Letters drawn one by one never make a whole sentence.
                Assert.False(half && line.Parts.Count > 0, line.Text);
            }
        }
    }
}
