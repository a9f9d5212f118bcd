using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.RateLimiting;

namespace Dorsk.Web.Pages;

/// <summary>The first start: names the first Manager. Shut as soon as anybody has a password; where people stand in the records already, a word from the console is asked.</summary>
[Open]
[EnableRateLimiting("sign-in")]
public sealed class FirstModel(Questions questions, FirstWord first, Accounts accounts, Newcomer newcomer) : PageModel
{
    private readonly FirstManager state = first.State;

    public string Name { get; private set; } = "Manager";

    public string? NameProblem { get; private set; }

    public string? PasswordProblem { get; private set; }

    public string? WordProblem { get; private set; }

    /// <summary>Whether the word on the console is asked.</summary>
    public bool WantsWord => state == FirstManager.WithWord;

    public IActionResult OnGet()
    {
        first.Print();
        return state == FirstManager.Shut ? Redirect("/sign-in") : Page();
    }

    public async Task<IActionResult> OnPostAsync(string? name, string? password, string? again, string? word)
    {
        if (state == FirstManager.Shut)
            return Redirect("/sign-in");
        Name = name?.Trim() ?? "";
        if (WantsWord && !first.IsRight(word))
            WordProblem = "This is not the word that the program printed on its console.";
        if (password != again)
            PasswordProblem = "The two passwords differ. Type the same twice.";
        if (WordProblem is not null || PasswordProblem is not null)
            return Again();
        // After a restore the Manager stands in the records already, without a password.
        var former = questions
            .People()
            .FirstOrDefault(p =>
                p.Role == Role.Manager && string.Equals(p.Name, Name, StringComparison.OrdinalIgnoreCase)
            );
        var admitted = former is null
            ? newcomer.Admit(Name, Name, Role.Manager, password)
            : new(former, null, accounts.SetPassword(former, password));
        (NameProblem, PasswordProblem) = (admitted.NameProblem, admitted.PasswordProblem);
        if (NameProblem is not null || PasswordProblem is not null)
            return Again();
        await HttpContext.SignIn(accounts.Of(admitted.Person!), lasting: true);
        return Redirect("/");
    }

    private PageResult Again()
    {
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
