using Dorsk.Core.Ponds;

namespace Dorsk.Farm.Estimates;

/// <summary>What a pond itself needs: bare banks, a liner that lies dry, water that rotted wood had coloured.</summary>
/// <param name="facts">The facts.</param>
public sealed class PondUpkeep(PondFacts facts)
{
    private const int DryDays = 3;
    private const double DryShare = 0.75;

    /// <summary>Where a bank lies bare, in words; null where none does.</summary>
    public string? BareBank(DateTimeOffset now) =>
        Last(now, PondWork.BankBare, PondWork.BankSown) is { Work: PondWork.BankBare } bare ? bare.Text : null;

    /// <summary>When leaves, timber or bamboo were last taken out, and what; null when never.</summary>
    public (DateTimeOffset At, string Text)? DebrisOut(DateTimeOffset now) =>
        Last(now, PondWork.DebrisOut) is { Work: PondWork.DebrisOut } debris ? (debris.At, debris.Text) : null;

    /// <summary>An idle liner that lies dry for days, and the water that would cover it, m³; null where none does.</summary>
    /// <param name="now">Now.</param>
    /// <param name="coverM">Water that protects a liner, m.</param>
    public (int Days, double WantM3)? DryLiner(DateTimeOffset now, double coverM)
    {
        if (facts.Pond.Kind != PondKind.Lined || facts.Standing.Any())
            return null;
        var level = facts.LevelAt(now);
        var drained = Last(now, PondWork.Drained, PondWork.Filling, PondWork.Filled);
        var dry = level.Read && level.LevelM < DryShare * coverM;
        if (drained is not { Work: PondWork.Drained } && !dry)
            return null;
        var since = drained is { Work: PondWork.Drained } d ? d.At : facts.EmptiedBefore(now);
        var days = since == DateTimeOffset.MinValue ? DryDays : (int)(now - since).TotalDays;
        return days < DryDays
            ? null
            : (
                days,
                facts.Pond.Shape.VolumeM3(coverM) - facts.Pond.Shape.VolumeM3(Math.Min(coverM, dry ? level.LevelM : 0))
            );
    }

    private (DateTimeOffset At, PondWork Work, string Text)? Last(DateTimeOffset now, params PondWork[] of)
    {
        var found = facts.Works.FirstOrDefault(w => of.Contains(w.Work) && w.At <= now);
        return found == default ? null : (found.At, found.Work, found.Text);
    }
}
