using Dorsk.Core.People;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One list as CSV.</summary>
[Needs(Permission.Look)]
public sealed class ListModel(FarmFile file, Here here) : PageModel
{
    public IActionResult OnGet([FromRoute] string name, [FromQuery] string? style)
    {
        if (Lists.IsPrivate(name) && !here.May(Permission.Setup))
            return StatusCode(StatusCodes.Status403Forbidden);
        if (CsvStyle.Find(style ?? CsvStyle.Usual(here.Hand.Sign)) is not { } how)
            return NotFound();
        var text = new StringWriter();
        return Lists.Write(file, name, here.Zone, how, text) ? CsvAnswer.Of(text.ToString(), name) : NotFound();
    }
}
