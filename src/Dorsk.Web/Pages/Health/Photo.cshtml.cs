using Dorsk.Core.People;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Photos of dead fish: kept by their hash, shown to whoever may look at the ponds.</summary>
[Needs(Permission.Look)]
public sealed class PhotoModel(FarmFile file, Here here) : PageModel
{
    private readonly PhotoFolder photos = new(file.Path);

    public IActionResult OnGet([FromRoute] string? hash)
    {
        if (here.Farm is null || photos.Open(hash ?? "") is not { } photo)
            return NotFound();
        Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return File(photo.Bytes, photo.Kind);
    }

    /// <summary>Keeps a photo: the body is the picture itself. Answers with its name, or with why it is not kept.</summary>
    [TakesJson]
    [Needs(Permission.Write)]
    public async Task<IActionResult> OnPostKeepAsync()
    {
        const string TooLarge = "The photo is over 1 MB. Take it again: the page makes it smaller before it is sent.";
        if (Request.ContentLength > PhotoFolder.Most)
            return BadRequest(new { problem = TooLarge });
        using var memory = new MemoryStream();
        var buffer = new byte[65536];
        for (int read; (read = await Request.Body.ReadAsync(buffer)) > 0; )
        {
            memory.Write(buffer, 0, read);
            if (memory.Length > PhotoFolder.Most)
                return BadRequest(new { problem = TooLarge });
        }
        var (hash, problem) = photos.Keep(memory.ToArray());
        return hash is null ? BadRequest(new { problem }) : new JsonResult(new { hash });
    }
}
