using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The first start: names the first Manager. Shut as soon as anybody has a password.</summary>
[Open]
public sealed class FirstModel(Door door, Questions questions, Credentials credentials, DemoFarmOpen demo, FarmClock clock, AccountStore store, UserManager<PersonAccount> users, SignInManager<PersonAccount> signIns) : PageModel
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
        PasswordProblem = password == again ? null : "The two passwords differ. Type the same twice.";
        var former = questions.People().FirstOrDefault(p => p.Role == Role.Manager && string.Equals(p.Name, Name, StringComparison.OrdinalIgnoreCase));
        var entry = Entry.Of(Guid.NewGuid(), Name, clock.GetUtcNow(), new PersonNamed(Name, Role.Manager), Name);
        NameProblem = former is null && PasswordProblem is null ? door.Preview(entry).Remarks.Select(r => r.Text).FirstOrDefault() : null;
        // The password is tried before the name is entered: a mistyped one leaves nobody behind.
        if (PasswordProblem is null && NameProblem is null)
            PasswordProblem = await users.SetPassword(new PersonAccount { Person = new(Name, Role.Manager), Credential = new(0, null, "", 0, null) }, password, keep: false);
        if (PasswordProblem is not null || NameProblem is not null)
            return Page();
        var person = former ?? new PersonNamed(Name, Role.Manager, door.Enter(entry).Lines[0]);
        var account = store.Of(person);
        await users.SetPassword(account, password);
        await signIns.SignInAsync(account, isPersistent: true);
        return Redirect("/");
    }
}
