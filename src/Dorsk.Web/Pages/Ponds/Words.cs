using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Pages;

/// <summary>Words of the farm for what the core names.</summary>
public static class Words
{
    public static string Of(Account account) =>
        account switch
        {
            Account.SoldAlive => "sold alive",
            Account.MovedOff => "moved off the farm",
            Account.Dead => "found dead",
            _ => account.ToString().ToLowerInvariant(),
        };

    /// <summary>A reason with a capital at its head; pH keeps its small letter.</summary>
    public static string Sentence(string reason) =>
        reason.Length == 0 || reason.StartsWith("pH", StringComparison.Ordinal)
            ? reason
            : char.ToUpperInvariant(reason[0]) + reason[1..];

    public static string Of(EquipmentKind kind) =>
        kind switch
        {
            EquipmentKind.InletScreen => "inlet screen",
            EquipmentKind.OutletScreen => "outlet screen",
            EquipmentKind.BirdNet => "bird net",
            _ => kind.ToString().ToLowerInvariant(),
        };

    /// <summary>The figures of a piece of equipment.</summary>
    public static string Of(Equipment e, Here here) =>
        string.Join(
            ", ",
            new[]
            {
                e.Name,
                e.FlowM3H is { } flow ? here.Say(flow, Measures.Flow) : "",
                e.PowerKW is { } kw ? here.Say(kw, Measures.Power) : "",
                e.MeshMm is { } mm ? here.Say(mm / 1000, Measures.Pellet) : "",
                e.ThicknessUm is { } um ? here.Say(um * 1e-6, Measures.Sheet) : "",
                e.Laid is { } day ? "laid " + here.Day(day) : "",
            }.Where(t => t.Length > 0)
        );
}
