using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Who is signed in: change the password, sign out.</summary>
[Needs(Permission.Look)]
public sealed class MeModel(Here here, Accounts accounts, Tries tries) : PageModel
{
    public string? Problem { get; private set; }

    public bool Done { get; private set; }

    public bool HasPassword => accounts.Of(here.Person!).Credential.Hash is not null;

    public void OnGet() { }

    public async Task<IActionResult> OnPostAsync(string? old, string? password, string? again)
    {
        var (person, address) = (here.Person!, SignIns.Address(HttpContext));
        if (tries.IsShut(person.Name, address))
            Problem = "Too many mistakes: wait ten minutes.";
        else if (!accounts.IsRight(accounts.Of(person), old ?? ""))
        {
            tries.Failed(person.Name, address);
            Problem = "The password so far is not right.";
        }
        else
            Problem = password != again ? "The two new passwords differ." : accounts.SetPassword(person, password);
        if (Problem is not null)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }
        tries.Succeeded(person.Name, address);
        await HttpContext.SignIn(accounts.Of(person), lasting: true);
        Done = true;
        return Page();
    }
}
