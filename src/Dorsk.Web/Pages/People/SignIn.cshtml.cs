using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Dorsk.Web.Pages;

/// <summary>Name and password; on the demo farm, one button a role.</summary>
[Open]
[EnableRateLimiting("sign-in")]
public sealed class SignInModel(
    Questions questions,
    Credentials credentials,
    DemoFarmOpen demo,
    FirstWord first,
    Tries tries,
    Accounts accounts
) : PageModel
{
    public string Back { get; private set; } = "/";

    public string Name { get; private set; } = "";

    public string? Problem { get; private set; }

    /// <summary>Whether a session that stood has ended: then the page says why it is here.</summary>
    public bool Ended { get; private set; }

    public IReadOnlyList<PersonNamed> Demo =>
        demo.On ? questions.People().Where(p => p.Role != Role.Gone).ToList() : [];

    public string WordsFor(Role role) =>
        role switch
        {
            Role.Manager => "may do everything",
            Role.PondHand => "writes readings, feed, deaths, samples",
            Role.NightWatch => "the same, at night, in the dark theme",
            _ => "reads, writes nothing",
        };

    public IActionResult OnGet(string? back, bool ended)
    {
        (Back, Ended) = (Local(back), ended || HttpContext.SessionEnded());
        return first.State == FirstManager.Shut ? Page() : Redirect("/first");
    }

    public async Task<IActionResult> OnPostAsync(string? name, string? password, string? back)
    {
        (Name, Back) = (name?.Trim() ?? "", Local(back));
        var address = SignIns.Address(HttpContext);
        // The same words, and the same time, for a wrong name and a wrong password: who works here is not for everybody.
        var shut = tries.IsShut(Name, address);
        var account = accounts.Named(Name);
        var right = accounts.IsRight(account, password is { Length: <= 200 } ? password : "");
        if (!right)
            tries.Failed(Name, address);
        if (shut || tries.IsShut(Name, address))
            return Again(
                $"After {Tries.Most} mistakes no password is taken for this name from here for ten minutes. Wait, or sign in from another device."
            );
        if (!right)
            return Again("The name or the password is not right.");
        tries.Succeeded(Name, address);
        await HttpContext.SignIn(account!, lasting: true);
        return LocalRedirect(Back);
    }

    [DisableRateLimiting]
    public async Task<IActionResult> OnPostDemoAsync(long person, string? back)
    {
        if (Demo.FirstOrDefault(p => p.PersonId == person) is not { } who)
            return NotFound();
        await HttpContext.SignIn(new PersonAccount(who, credentials.Begin(who.PersonId)), lasting: false);
        if (who.Role == Role.NightWatch)
            Response.Cookies.Append("theme", "dark", ThemeModel.Cookie(Request));
        return LocalRedirect(Local(back));
    }

    private PageResult Again(string problem)
    {
        Problem = problem;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private string Local(string? back) => Url.IsLocalUrl(back) ? back : "/";
}
