using Dorsk.Core.Judging;

namespace Dorsk.Core.Ponds;

/// <summary>Who built a pond or tank, and on what terms.</summary>
/// <param name="PondId">The pond.</param>
/// <param name="Builder">Name or firm.</param>
/// <param name="BuiltOn">Day it was handed over.</param>
/// <param name="Price">What it cost, in the farm's currency; null when nobody said.</param>
/// <param name="GuaranteeTo">Last day of the guarantee, or null.</param>
/// <param name="Terms">Terms in words; may be empty.</param>
public sealed record PondBuiltBy(
    long PondId,
    string Builder,
    DateOnly BuiltOn,
    double? Price,
    DateOnly? GuaranteeTo,
    string Terms
) : Fact
{
    /// <summary>Objections, by the field of the slip.</summary>
    /// <param name="today">Today.</param>
    public IEnumerable<Remark> Check(DateOnly today)
    {
        if (Builder.Trim().Length is 0 or > 80)
            yield return Remark.Refuse("Builder", "Name or firm, up to 80 letters.");
        if (BuiltOn > today)
            yield return Remark.Refuse("BuiltOn", "That day is still to come.");
        if (Price is not (null or (>= 0 and <= 1e9)))
            yield return Remark.Refuse("Price", "0 to 1,000,000,000, or empty.");
        if (GuaranteeTo < BuiltOn)
            yield return Remark.Refuse("GuaranteeTo", "A guarantee ends after the day it was handed over.");
        if (Terms.Length > 500)
            yield return Remark.Refuse("Terms", "At most 500 letters.");
    }
}

/// <summary>A builder by what came after: ponds, faults in the first years, what is still under guarantee.</summary>
/// <param name="Builder">Name.</param>
/// <param name="Ponds">Codes of the ponds built.</param>
/// <param name="Faults">Leaks and breaks since.</param>
/// <param name="ToClaim">Of these found within the guarantee, in words, where it still runs.</param>
/// <param name="Years">Years of standing, all ponds together.</param>
public sealed record BuilderRecord(
    string Builder,
    IReadOnlyList<string> Ponds,
    int Faults,
    IReadOnlyList<string> ToClaim,
    double Years
)
{
    private static readonly PondWork[] Counted = [PondWork.LeakFound, PondWork.ToMend, PondWork.LinerMended];

    private const double DaysOfYear = 365.25,
        ManyAYear = 1;

    /// <summary>Faults a year and pond.</summary>
    public double FaultsYear => Faults / Math.Max(1 / 12.0, Years);

    /// <summary>How the record stands.</summary>
    public Judgement Judgement
    {
        get
        {
            if (ToClaim.Count > 0)
                return new(Status.ActNow, $"claim it: {string.Join("; ", ToClaim)}");
            if (FaultsYear > ManyAYear)
                return new(Status.Watch, "more than one fault a year and pond");
            return new(Status.Steady, Faults == 0 ? "no fault written down" : "few faults for its years");
        }
    }

    /// <summary>Adds up by builder, the best first.</summary>
    /// <param name="built">Who built what: code, the fact, works and findings since.</param>
    /// <param name="today">Today.</param>
    public static IReadOnlyList<BuilderRecord> Of(
        IEnumerable<(
            string Code,
            PondBuiltBy Built,
            IReadOnlyList<(DateOnly Day, PondWork Work, string Text)> Works
        )> built,
        DateOnly today
    ) =>
        [
            .. built
                .GroupBy(b => b.Built.Builder.Trim(), StringComparer.OrdinalIgnoreCase)
                .Select(g => new BuilderRecord(
                    g.Key,
                    [.. g.Select(b => b.Code)],
                    g.Sum(b => b.Works.Count(w => Counted.Contains(w.Work) && w.Day >= b.Built.BuiltOn)),
                    [.. g.SelectMany(b => Claims(b.Code, b.Built, b.Works, today))],
                    g.Sum(b => (today.DayNumber - b.Built.BuiltOn.DayNumber) / DaysOfYear)
                ))
                .OrderBy(r => r.FaultsYear)
                .ThenBy(r => r.Builder, StringComparer.Ordinal),
        ];

    private static IEnumerable<string> Claims(
        string code,
        PondBuiltBy built,
        IReadOnlyList<(DateOnly Day, PondWork Work, string Text)> works,
        DateOnly today
    ) =>
        built.GuaranteeTo is not { } to || today > to
            ? []
            : works
                .Where(w => Counted.Contains(w.Work) && w.Day >= built.BuiltOn)
                .Select(w => $"{code} {w.Day:d MMM yyyy}, guarantee to {to:d MMM yyyy}");
}
