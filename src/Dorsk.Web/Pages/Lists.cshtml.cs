using Dorsk.Core.People;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Every list as CSV; the whole farm as a backup or an export.</summary>
[Needs(Permission.Look)]
public sealed class ListsModel(FarmFile file, Here here) : PageModel
{
    /// <summary>How lists are written: as chosen, else by the farm's decimal sign.</summary>
    public string Style =>
        CsvStyle.All.Any(s => s.Key == Request.Query["style"])
            ? Request.Query["style"].ToString()
            : CsvStyle.Usual(here.Hand.Sign);

    public void OnGet() { }

    [Needs(Permission.Setup)]
    public IActionResult OnPostBackup() => Zip("backup", path => Backup.Write(file, path));

    [Needs(Permission.Setup)]
    public IActionResult OnPostExport() => Zip("export", path => Export.Write(file, path));

    private FileStreamResult Zip(string what, Action<string> write)
    {
        var path = Path.Combine(Path.GetTempPath(), $"dorsk-{what}-{Guid.NewGuid():N}.zip");
        write(path);
        var stream = new FileStream(
            path,
            FileMode.Open,
            FileAccess.Read,
            FileShare.None,
            65536,
            FileOptions.DeleteOnClose
        );
        return File(
            stream,
            "application/zip",
            FormattableString.Invariant($"dorsk-{what}-{here.Today:yyyy-MM-dd}.zip")
        );
    }
}
