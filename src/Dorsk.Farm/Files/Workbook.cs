using System.Globalization;
using System.IO.Compression;
using CsvHelper;
using ExcelDataReader;

namespace Dorsk.Farm.Files;

/// <summary>A spreadsheet's own file (.xlsx), whose first sheet with lines is read as if it had been saved as CSV.</summary>
public static class Workbook
{
    private const long LargestUnpacked = 300L << 20;

    // A cell that holds only a time of day is a date of the first days a spreadsheet knows.
    private const int FirstYears = 1901;

    /// <summary>Whether a file is a workbook: a zip with the parts of one.</summary>
    public static bool Is(string path)
    {
        try
        {
            using var zip = ZipFile.OpenRead(path);
            return zip.GetEntry("xl/workbook.xml") is not null;
        }
        catch (InvalidDataException)
        {
            return false;
        }
    }

    /// <summary>Writes the first sheet that holds lines as CSV: days year first, figures with a point.</summary>
    /// <param name="path">The workbook.</param>
    /// <param name="csvPath">Where to.</param>
    /// <exception cref="FarmFilesException">It is damaged, too large, or holds no lines.</exception>
    public static void ToCsv(string path, string csvPath)
    {
        using (var zip = ZipFile.OpenRead(path))
            if (zip.Entries.Sum(e => e.Length) > LargestUnpacked)
                throw new FarmFilesException("This workbook is too large. Save the one sheet as CSV and send that.");
        try
        {
            using var stream = File.OpenRead(path);
            using var reader = ExcelReaderFactory.CreateOpenXmlReader(stream);
            do if (reader.RowCount > 1)
            {
                Copy(reader, csvPath);
                return;
            }
            while (reader.NextResult());
        }
        // A file somebody sent may break its reader in any way; only a fault of our own disk is not the file's.
        catch (Exception problem)
            when (problem is EndOfStreamException
                || problem is not (IOException or UnauthorizedAccessException or OutOfMemoryException)
            )
        {
            throw new FarmFilesException(
                "This workbook is damaged or locked with a password. Save the sheet as CSV and send that.",
                problem
            );
        }
        throw new FarmFilesException("No sheet of this workbook has headings and lines under them.");
    }

    private static void Copy(IExcelDataReader reader, string csvPath)
    {
        using var text = new StreamWriter(csvPath);
        using var csv = new CsvWriter(text, CultureInfo.InvariantCulture);
        while (reader.Read())
        {
            for (var i = 0; i < reader.FieldCount; i++)
                csv.WriteField(Cell(reader.GetValue(i)));
            csv.NextRecord();
        }
    }

    private static string Cell(object? value) =>
        value switch
        {
            null => "",
            DateTime { Year: < FirstYears } hour => hour.ToString("HH:mm", CultureInfo.InvariantCulture),
            DateTime at when at.TimeOfDay == TimeSpan.Zero => at.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            DateTime at => at.ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture),
            TimeSpan hour => hour.ToString(@"hh\:mm", CultureInfo.InvariantCulture),
            bool yes => yes ? "yes" : "no",
            // What a spreadsheet works out has more digits than anybody measured.
            double figure => figure.ToString("G12", CultureInfo.InvariantCulture),
            _ => Convert.ToString(value, CultureInfo.InvariantCulture) ?? "",
        };
}
