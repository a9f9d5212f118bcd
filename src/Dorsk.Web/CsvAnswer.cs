using System.Text;
using Dorsk.Farm.Files;
using Microsoft.AspNetCore.Mvc;

namespace Dorsk.Web;

/// <summary>A list as a file that a spreadsheet opens.</summary>
internal static class CsvAnswer
{
    /// <summary>A written list, with the mark that tells spreadsheets it is UTF-8.</summary>
    /// <param name="text">The list.</param>
    /// <param name="name">Name of the file without its ending.</param>
    public static FileContentResult Of(string text, string name) =>
        new([.. Encoding.UTF8.GetPreamble(), .. Encoding.UTF8.GetBytes(text)], "text/csv; charset=utf-8")
        {
            FileDownloadName = name + ".csv",
        };

    /// <summary>Rows, written as the farm writes.</summary>
    /// <param name="rows">The rows, headings first.</param>
    /// <param name="here">The farm.</param>
    /// <param name="name">Name of the file without its ending.</param>
    public static FileContentResult Of(IEnumerable<IEnumerable<object?>> rows, Here here, string name) =>
        Of(CsvRows.Write(rows, CsvStyle.Find(CsvStyle.Usual(here.Hand.Sign))!), name);
}
