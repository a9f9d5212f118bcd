using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Keeps the choice of Paper or Dark in a cookie.</summary>
[Open]
public sealed class ThemeModel : PageModel
{
    public IActionResult OnGet() => Redirect("/");

    public IActionResult OnPost(string? theme, string? back)
    {
        Response.Cookies.Append("theme", theme == "dark" ? "dark" : "paper", new CookieOptions { HttpOnly = true, SameSite = SameSiteMode.Lax, Expires = DateTimeOffset.UtcNow.AddYears(1), IsEssential = true });
        return Url.IsLocalUrl(back) ? LocalRedirect(back) : Redirect("/");
    }
}
