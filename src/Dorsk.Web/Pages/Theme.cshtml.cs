using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Keeps the choice of Paper or Dark in a cookie.</summary>
[Open]
public sealed class ThemeModel : PageModel
{
    /// <summary>How the choice is kept: for this browser only, and over TLS only where the request came that way.</summary>
    public static CookieOptions Cookie(HttpRequest request) =>
        new()
        {
            HttpOnly = true,
            SameSite = SameSiteMode.Lax,
            IsEssential = true,
            Secure = request.IsHttps,
        };

    public IActionResult OnGet() => Redirect("/");

    public IActionResult OnPost(string? theme, string? back)
    {
        var cookie = Cookie(Request);
        cookie.Expires = DateTimeOffset.UtcNow.AddYears(1);
        Response.Cookies.Append("theme", theme == "dark" ? "dark" : "paper", cookie);
        return Url.IsLocalUrl(back) ? LocalRedirect(back) : Redirect("/");
    }
}
