using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.State;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>People, their roles and first passwords.</summary>
[Needs(Permission.Setup)]
public sealed class PeopleModel(
    Door door,
    Questions questions,
    Credentials credentials,
    Here here,
    Accounts accounts,
    Tries tries,
    Newcomer newcomer
) : PageModel
{
    public IReadOnlyList<PersonNamed> All => questions.People();

    public string? Said { get; private set; }

    public string? Problem { get; private set; }

    public string Name { get; private set; } = "";

    public Role NewRole { get; private set; } = Role.PondHand;

    public IReadOnlyList<(Permission, string)> Rights { get; } =
    [
        (Permission.Look, "see everything but people and keys"),
        (Permission.Write, "enter readings, feedings, deaths, samples, done jobs; correct own entries of today"),
        (Permission.Switch, "switch aerators, acknowledge alarms"),
        (Permission.Manage, "stock, move, harvest, correct any entry, plans, stores"),
        (Permission.Setup, "setup, limits, people, devices, import, backup"),
    ];

    public bool Has(PersonNamed person) => credentials.Of(person.PersonId)?.Hash is not null;

    public void OnGet() { }

    public IActionResult OnPostAdd(string? name, Role role, string? password)
    {
        Name = name?.Trim() ?? "";
        NewRole = role;
        var admitted = ModelState.IsValid
            ? newcomer.Admit(here.Author, Name, role, password)
            : new(null, "Choose a role from the list.", null);
        Problem = admitted.NameProblem ?? admitted.PasswordProblem;
        if (Problem is not null)
            return Page();
        (Said, Name) = ($"{Name} may come in as {Permissions.Word(role)}.", "");
        return Page();
    }

    public IActionResult OnPostRole(long person, Role role)
    {
        if (All.FirstOrDefault(p => p.PersonId == person) is not { } who)
            return NotFound();
        var receipt = ModelState.IsValid
            ? door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    who with
                    {
                        Role = role,
                    },
                    $"{who.Name}: {Permissions.Word(role)}"
                )
            )
            : null;
        Problem = receipt is null
            ? "Choose a role from the list."
            : receipt.Remarks.Select(r => r.Text).FirstOrDefault();
        Said = Problem is null ? $"{who.Name}: {Permissions.Word(role)}." : null;
        return Page();
    }

    public IActionResult OnPostPassword(long person, string? password)
    {
        if (All.FirstOrDefault(p => p.PersonId == person && p.Role != Role.Gone) is not { } who)
            return NotFound();
        Problem = accounts.SetPassword(who, password);
        if (Problem is null)
            tries.Clear(who.Name);
        Said = Problem is null
            ? $"{who.Name} has a new password. Where they were signed in, they sign in again."
            : null;
        return Page();
    }
}
