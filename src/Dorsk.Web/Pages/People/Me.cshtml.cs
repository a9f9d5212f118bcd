using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Who is signed in: change the password, sign out.</summary>
[Needs(Permission.Look)]
public sealed class MeModel(Here here, AccountStore store, UserManager<PersonAccount> users, SignInManager<PersonAccount> signIns) : PageModel
{
    public string? Problem { get; private set; }

    public bool Done { get; private set; }

    public bool HasPassword => store.Of(here.Person!).Credential.Hash is not null;

    public void OnGet() { }

    public async Task<IActionResult> OnPostAsync(string? old, string? password, string? again)
    {
        var account = store.Of(here.Person!);
        var result = await signIns.CheckPasswordSignInAsync(account, old ?? "", lockoutOnFailure: true);
        Problem = result.IsLockedOut ? "Too many mistakes: shut for ten minutes." : !result.Succeeded ? "The password so far is not right." : password != again ? "The two new passwords differ." : await users.SetPassword(account, password);
        if (Problem is null)
        {
            await signIns.RefreshSignInAsync(account);
            Done = true;
        }
        return Page();
    }
}
