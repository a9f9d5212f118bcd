namespace Dorsk.Farm.Log;

/// <summary>
/// The condition every question puts on a log line <c>l</c>: it happened, it was known, and nobody had voided it by then.
/// Questions write CROSS JOIN, which SQLite reads as "in this order": it would else walk the whole log by time to find the farm's few rows.
/// </summary>
internal static class Lines
{
    public const string Count =
        " l.happened <= $upto AND l.entered <= $known AND NOT EXISTS (SELECT 1 FROM log v WHERE v.voids = l.line AND v.entered <= $known) ";

    /// <summary>Lines <c>l</c> of a kind and a pond that were entered after a line: a few new ones are found by their number, all of them by the pond's index.</summary>
    public static string OfPond(long afterLine, string kind) =>
        afterLine == 0
            ? $" l.pond IS $pond AND l.kind = '{kind}' AND l.line > $after "
            : $" +l.pond IS $pond AND +l.kind = '{kind}' AND l.line > $after ";

    public static (string, object?)[] With(AsOf asOf, params (string, object?)[] more) =>
        [("upto", asOf.HappenedUpTo), ("known", asOf.KnownUpTo), .. more];
}
