namespace Dorsk.Core.People;

/// <summary>What a person is on the farm.</summary>
public enum Role
{
    /// <summary>Runs the farm: may do everything.</summary>
    Manager,

    /// <summary>Works at the ponds: writes what was read, fed, found and done.</summary>
    PondHand,

    /// <summary>Watches at night: as a pond hand.</summary>
    NightWatch,

    /// <summary>A vet or adviser who visits: reads, and writes nothing.</summary>
    Viewer,

    /// <summary>Left the farm: may not come in; what was written keeps its author.</summary>
    Gone,
}

/// <summary>What a person may want to do.</summary>
public enum Permission
{
    /// <summary>See everything but people and keys.</summary>
    Look,

    /// <summary>Enter readings, feedings, deaths, samples, done jobs; correct own entries of today.</summary>
    Write,

    /// <summary>Switch aerators, acknowledge alarms.</summary>
    Switch,

    /// <summary>Stock, move, harvest, correct any entry, plans, stores.</summary>
    Manage,

    /// <summary>Setup, limits, people, devices, import, backup.</summary>
    Setup,
}

/// <summary>Who may do what: the farm's one table of it.</summary>
public static class Permissions
{
    private static readonly Dictionary<Role, Permission[]> Table = new()
    {
        [Role.Manager] = [Permission.Look, Permission.Write, Permission.Switch, Permission.Manage, Permission.Setup],
        [Role.PondHand] = [Permission.Look, Permission.Write, Permission.Switch],
        [Role.NightWatch] = [Permission.Look, Permission.Write, Permission.Switch],
        [Role.Viewer] = [Permission.Look],
        [Role.Gone] = [],
    };

    /// <summary>Whether a role may.</summary>
    public static bool May(Role role, Permission permission) => Table[role].Contains(permission);

    /// <summary>Whether a role may correct a line: a Manager any, who writes only what is their own and was entered today.</summary>
    /// <param name="role">The role.</param>
    /// <param name="own">Whether the line is the person's own.</param>
    /// <param name="enteredToday">Whether it was entered on this farm day.</param>
    public static bool MayCorrect(Role role, bool own, bool enteredToday) =>
        May(role, Permission.Manage) || (May(role, Permission.Write) && own && enteredToday);

    /// <summary>The role as people say it.</summary>
    public static string Word(Role role) =>
        role switch
        {
            Role.PondHand => "Pond hand",
            Role.NightWatch => "Night watch",
            Role.Gone => "left the farm",
            _ => role.ToString(),
        };
}
