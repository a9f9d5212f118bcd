using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Dorsk.Core.Sheets;

namespace Dorsk.Farm.Files;

/// <summary>A spreadsheet saved as text, read line by line: byte order marks, semicolons and quotes are taken as they come.</summary>
/// <param name="Path">The file.</param>
/// <param name="Delimiter">What parts its cells.</param>
/// <param name="Headings">Its first line.</param>
/// <param name="First">Its next lines, for a look.</param>
public sealed record SheetFile(
    string Path,
    char Delimiter,
    IReadOnlyList<string> Headings,
    IReadOnlyList<IReadOnlyList<string>> First
)
{
    private const int Look = 200,
        LongestCell = 2000,
        MostColumns = 200,
        LongestLine = 20_000;

    /// <summary>Opens a file for a look; a workbook (.xlsx) becomes CSV in its place.</summary>
    /// <exception cref="FarmFilesException">It is no sheet of text.</exception>
    public static SheetFile Open(string path)
    {
        if (Workbook.Is(path))
        {
            var csv = path + ".csv";
            try
            {
                Workbook.ToCsv(path, csv);
                File.Move(csv, path, overwrite: true);
            }
            finally
            {
                File.Delete(csv);
            }
        }
        var lines = new List<string>();
        using (var text = new LimitedReader(Text(path), LongestLine))
            while (lines.Count < 20 && text.ReadLine() is { } line)
                if (line.Length > 0)
                    lines.Add(line);
        if (lines.Count < 2)
            throw new FarmFilesException(
                "This file has no lines under its headings. Send a spreadsheet with one line of headings on top."
            );
        if (lines.Any(l => l.Contains('\0', StringComparison.Ordinal)))
            throw new FarmFilesException(
                "This is no text. Send a workbook (.xlsx), or choose “save as” and CSV in the spreadsheet."
            );
        var delimiter = SheetGuess.Delimiter(lines);
        var sheet = new SheetFile(path, delimiter, [], []);
        var rows = sheet.Rows(default).Take(Look + 1).Select(r => r.Cells).ToList();
        if (rows.Count < 2 || rows[0].Count > MostColumns)
            throw new FarmFilesException(
                $"Headings on top and lines under them are wanted, at most {MostColumns} columns."
            );
        return sheet with { Headings = rows[0], First = rows.Skip(1).ToList() };
    }

    /// <summary>Headings as one text, to remember them by.</summary>
    public string Heading => string.Join(Delimiter, Headings.Select(h => h.Trim()));

    /// <summary>All lines that hold something, the headings first, with their number in the file; only one is in memory.</summary>
    /// <exception cref="FarmFilesException">A cell never ends.</exception>
    public IEnumerable<(int Line, IReadOnlyList<string> Cells)> Rows(CancellationToken stop)
    {
        using var text = new LimitedReader(Text(Path), LongestLine);
        using var parser = Parser(text);
        while (true)
        {
            stop.ThrowIfCancellationRequested();
            try
            {
                if (!parser.Read())
                    yield break;
            }
            catch (MaxFieldSizeException)
            {
                throw new FarmFilesException(
                    $"From line {parser.RawRow} on a cell does not end: a quotation mark is likely missing. Mend it in the spreadsheet."
                );
            }
            var cells = parser.Record ?? [];
            if (!SheetLine.IsBlank(cells))
                yield return (parser.RawRow, cells);
        }
    }

    private CsvParser Parser(LimitedReader text) =>
        new CsvParser(
            text,
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = Delimiter.ToString(),
                BadDataFound = null,
                IgnoreBlankLines = true,
                MaxFieldSize = LongestCell,
            }
        );

    // UTF-8 or UTF-16 by their marks; without one UTF-8 where it holds, else the old Western letters.
    private static StreamReader Text(string path)
    {
        var head = new byte[65536];
        int n;
        using (var f = File.OpenRead(path))
            n = f.ReadAtLeast(head, head.Length, throwOnEndOfStream: false);
        var encoding = Encoding.UTF8;
        try
        {
            // A letter may be cut at the end of the look; three bytes less cannot be.
            var whole =
                n < head.Length ? n : Enumerable.Range(n - 3, 3).FirstOrDefault(i => (head[i] & 0xC0) != 0x80, n);
            _ = new UTF8Encoding(false, throwOnInvalidBytes: true).GetCharCount(head, 0, whole);
        }
        catch (DecoderFallbackException)
        {
            encoding = Encoding.Latin1;
        }
        return new StreamReader(path, encoding, detectEncodingFromByteOrderMarks: true);
    }
}
