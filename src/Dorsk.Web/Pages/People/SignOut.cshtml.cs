using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Signs out.</summary>
[Open]
public sealed class SignOutModel(SignInManager<PersonAccount> signIns) : PageModel
{
    public IActionResult OnGet() => Redirect("/");

    public async Task<IActionResult> OnPostAsync()
    {
        await signIns.SignOutAsync();
        return Redirect("/sign-in");
    }
}
