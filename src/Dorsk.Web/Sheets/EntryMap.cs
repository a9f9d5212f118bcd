using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Sheets;

/// <summary>How one field of a slip is filled from a sheet.</summary>
/// <param name="Field">The field.</param>
/// <param name="Column">Column of the sheet, from 0; null: none.</param>
/// <param name="Unit">Unit of plain figures; null where the field has none.</param>
/// <param name="Always">What stands in it in every line, where no column says it; empty: as the slip starts.</param>
public sealed record EntryField(SlipField Field, int? Column, Unit? Unit, string Always)
{
    /// <summary>Whether the sheet says anything of it.</summary>
    public bool IsSaid => Column is not null || Always.Length > 0;
}

/// <summary>How a sheet becomes slips: one line, one slip, judged by the slip's own rules.</summary>
/// <param name="Slip">The kind of slip.</param>
/// <param name="Fields">Its fields, the pond first where it belongs to one.</param>
/// <param name="Sign">Decimal sign of the sheet.</param>
/// <param name="Order">Order of day and month.</param>
public sealed record EntryMap(ISlip Slip, IReadOnlyList<EntryField> Fields, DecimalSign Sign, DayOrder Order)
{
    /// <summary>Name of the field that says the pond.</summary>
    public const string Pond = "Pond";

    /// <summary>The slips that a sheet can hold.</summary>
    public static readonly IReadOnlyList<(ISlip Slip, string Word)> All =
    [
        (AllSlips.Find("feeding")!, "feedings"),
        (AllSlips.Find("sample")!, "samples of fish"),
        (AllSlips.Find("deaths")!, "deaths and losses"),
        (AllSlips.Find("stock")!, "stockings"),
        (AllSlips.Find("receive")!, "deliveries of fish"),
        (AllSlips.Find("load")!, "deliveries of feed"),
    ];

    /// <summary>A slip by its key; null when none of them is meant, so that the sheet holds readings.</summary>
    public static ISlip? Find(string? key) => All.Where(s => s.Slip.Key == key).Select(s => s.Slip).FirstOrDefault();

    /// <summary>The fields of a slip that a sheet can fill.</summary>
    /// <param name="context">A pond it could be written for, or the farm.</param>
    /// <param name="slip">The slip.</param>
    public static IReadOnlyList<SlipField> FieldsOf(SlipContext context, ISlip slip) =>
        [
            .. slip.OfPond
                ? [context.Choice(Pond, "Pond", "", [.. context.Here.Ponds.Select(p => (p.Code, p.Code))])]
                : Array.Empty<SlipField>(),
            .. slip.Fields(context).Where(f => f.Kind is not (FieldKind.Heading or FieldKind.Fold)),
        ];

    /// <summary>Why it cannot be read so; null when it can.</summary>
    public string? Problem()
    {
        if (Fields.FirstOrDefault(f => f.Field.Name == "Day") is { IsSaid: false })
            return "Choose the column that holds the date.";
        if (Fields.FirstOrDefault(f => f.Field.Name == Pond) is { IsSaid: false })
            return "Choose the column that holds the pond, or the pond of all lines.";
        return
            Fields.Where(f => f.Column is not null).GroupBy(f => f.Column).FirstOrDefault(g => g.Count() > 1)
                is { } twice
            ? $"One column cannot hold both {string.Join(" and ", twice.Select(f => f.Field.Label.ToLowerInvariant()))}. Choose another for one of them."
            : null;
    }
}
