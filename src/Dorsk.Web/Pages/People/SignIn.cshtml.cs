using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Dorsk.Web.Pages;

/// <summary>Name and password; on the demo farm, one button a role.</summary>
[Open]
[EnableRateLimiting("sign-in")]
public sealed class SignInModel(Questions questions, Farm.State.Credentials credentials, DemoFarmOpen demo, UserManager<PersonAccount> users, SignInManager<PersonAccount> signIns, AccountStore store) : PageModel
{
    public string Back { get; private set; } = "/";

    public string Name { get; private set; } = "";

    public string? Problem { get; private set; }

    public IReadOnlyList<PersonNamed> Demo => demo.On ? questions.People().Where(p => p.Role != Role.Gone).ToList() : [];

    public string WordsFor(Role role) => role switch
    {
        Role.Manager => "may do everything",
        Role.PondHand => "writes readings, feed, deaths, samples",
        Role.NightWatch => "the same, at night, in the dark theme",
        _ => "reads, writes nothing",
    };

    public IActionResult OnGet(string? back)
    {
        Back = Local(back);
        return demo.On || credentials.Any() ? Page() : Redirect("/first");
    }

    public async Task<IActionResult> OnPostAsync(string? name, string? password, string? back)
    {
        (Name, Back) = (name?.Trim() ?? "", Local(back));
        var account = await users.FindByNameAsync(Name);
        // The same words for a wrong name and a wrong password: who works here is not for everybody.
        if (account is null || !(await users.HasPasswordAsync(account)))
            return Again("The name or the password is not right.");
        var result = await signIns.CheckPasswordSignInAsync(account, password ?? "", lockoutOnFailure: true);
        if (result.IsLockedOut)
            return Again($"After {SignIns.TriesBeforeShut} mistakes this name is shut for ten minutes. Wait, or ask a Manager for a new password.");
        if (!result.Succeeded)
            return Again("The name or the password is not right.");
        await signIns.SignInAsync(account, isPersistent: true);
        return LocalRedirect(Back);
    }

    [DisableRateLimiting]
    public async Task<IActionResult> OnPostDemoAsync(long person, string? back)
    {
        if (Demo.FirstOrDefault(p => p.PersonId == person) is not { } who)
            return NotFound();
        var account = store.Of(who);
        if (credentials.Of(who.PersonId) is null)
            credentials.Keep(account.Credential);
        await signIns.SignInAsync(account, isPersistent: false);
        if (who.Role == Role.NightWatch)
            Response.Cookies.Append("theme", "dark", new CookieOptions { HttpOnly = true, SameSite = SameSiteMode.Lax, IsEssential = true });
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
