using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The first start: names the first Manager. Shut as soon as anybody has a password.</summary>
[Open]
public sealed class FirstModel(Questions questions, Credentials credentials, DemoFarmOpen demo, AccountStore store, Newcomer newcomer, UserManager<PersonAccount> users, SignInManager<PersonAccount> signIns) : PageModel
{
    public string Name { get; private set; } = "Manager";

    public string? NameProblem { get; private set; }

    public string? PasswordProblem { get; private set; }

    private bool Shut => demo.On || credentials.Any();

    public IActionResult OnGet() => Shut ? Redirect("/sign-in") : Page();

    public async Task<IActionResult> OnPostAsync(string? name, string? password, string? again)
    {
        if (Shut)
            return Redirect("/sign-in");
        Name = name?.Trim() ?? "";
        if (password != again)
        {
            PasswordProblem = "The two passwords differ. Type the same twice.";
            return Page();
        }
        // After a restore the Manager stands in the books already, without a password.
        var former = questions.People().FirstOrDefault(p => p.Role == Role.Manager && string.Equals(p.Name, Name, StringComparison.OrdinalIgnoreCase));
        var admitted = former is null ? await newcomer.Admit(Name, Name, Role.Manager, password) : new(former, null, await users.SetPassword(store.Of(former), password));
        (NameProblem, PasswordProblem) = (admitted.NameProblem, admitted.PasswordProblem);
        if (NameProblem is not null || PasswordProblem is not null)
            return Page();
        var account = store.Of(admitted.Person!);
        await signIns.SignInAsync(account, isPersistent: true);
        return Redirect("/");
    }
}
