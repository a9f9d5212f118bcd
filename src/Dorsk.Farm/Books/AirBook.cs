using Dorsk.Core.Air;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>How aerators switch by themselves, were switched, ran and were looked after.</summary>
internal sealed class AirBook : IBook
{
    private static readonly TimeSpan LongestOrder = TimeSpan.FromDays(14);

    public bool Keeps(Fact fact) => fact is AirControlSet or AeratorSwitched or AeratorCommanded or AeratorReported or AeratorServiced or AeratorTested;

    public long? PondOf(Fact fact) => fact switch
    {
        AirControlSet f => f.PondId,
        AeratorSwitched f => f.PondId,
        AeratorCommanded f => f.PondId,
        AeratorReported f => f.PondId,
        AeratorServiced f => f.PondId,
        _ => ((AeratorTested)fact).PondId,
    };

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var pond = PondOf(fact)!.Value;
        var codes = FarmQuestions.Aerators(desk.Connection, desk.AsOf.Known, pond).LastOrDefault()?.Aerators.Select(a => a.Code).ToList() ?? [];
        if (fact is AirControlSet control)
            return [.. control.Check(ActLevel(desk, pond)), .. codes.Count == 0 && control.Automatic ? [Remark.Refuse("Automatic", "No aerator is fitted here: describe them first.")] : Array.Empty<Remark>()];
        var code = fact switch { AeratorSwitched f => f.Code, AeratorCommanded f => f.Code, AeratorReported f => f.Code, AeratorServiced f => f.Code, _ => ((AeratorTested)fact).Code };
        if (!codes.Contains(code))
            return [Remark.Refuse("Code", codes.Count == 0 ? "No aerator is fitted here: describe them first." : $"No aerator {code} is fitted here: {string.Join(", ", codes)}.")];
        return fact switch
        {
            AeratorSwitched { Until: { } until } when until <= desk.Happened || until > desk.Happened + LongestOrder => [Remark.Refuse("Until", "An hour to come, at most fourteen days ahead; or empty: until somebody says so.")],
            AeratorReported f => f.Check(codes),
            AeratorServiced f => f.Check(),
            AeratorTested f => f.Check(),
            _ => [],
        };
    }

    public void Write(Desk desk, Fact fact)
    {
        var c = desk.Connection;
        switch (fact)
        {
            case AirControlSet f:
                Sqlite.Run(c, "INSERT INTO air_control VALUES ($line, $pond, $automatic, $on, $off, $stagger)", ("line", desk.Line), ("pond", f.PondId), ("automatic", f.Automatic), ("on", f.OnBelowMgL), ("off", f.OffAboveMgL), ("stagger", f.StaggerS));
                break;
            case AeratorSwitched f:
                Sqlite.Run(c, "INSERT INTO aerator_switched VALUES ($line, $pond, $code, $wanted, $until)", ("line", desk.Line), ("pond", f.PondId), ("code", f.Code), ("wanted", f.Order), ("until", f.Until));
                break;
            case AeratorCommanded f:
                Sqlite.Run(c, "INSERT INTO aerator_commanded VALUES ($line, $pond, $code, $runs, $why)", ("line", desk.Line), ("pond", f.PondId), ("code", f.Code), ("runs", f.On), ("why", f.Why));
                break;
            case AeratorReported f:
                Sqlite.Run(c, "INSERT INTO aerator_reported VALUES ($line, $pond, $code, $running, $current, $mains)", ("line", desk.Line), ("pond", f.PondId), ("code", f.Code), ("running", f.Running), ("current", f.CurrentA), ("mains", f.Mains));
                break;
            case AeratorServiced f:
                Sqlite.Run(c, "INSERT INTO aerator_serviced VALUES ($line, $pond, $code, $next, $text)", ("line", desk.Line), ("pond", f.PondId), ("code", f.Code), ("next", f.NextAfterH), ("text", f.Text.Trim()));
                break;
            case AeratorTested f:
                Sqlite.Run(c, "INSERT INTO aerator_tested VALUES ($line, $pond, $code, $step, $rated, $kpamost, $cmost, $current, $kpa, $temp)", ("line", desk.Line), ("pond", f.PondId), ("code", f.Code), ("step", f.Step.Trim()),
                    ("rated", f.Plate.CurrentA), ("kpamost", f.Plate.PressureKPa), ("cmost", f.Plate.TempC), ("current", f.CurrentA), ("kpa", f.PressureKPa), ("temp", f.TempC));
                break;
        }
    }

    // The stage of the fish is not looked up here: a level that is too low for grown fish is asked about, the forecast judges by stage.
    private static double? ActLevel(Desk desk, long pond) => FishQuestions.Standing(desk.Connection, desk.AsOf.Known, pond).Where(b => b.Stands > 0)
        .Select(b => (double?)WaterLimits.For(SettingsQuestions.Species(desk.Connection, desk.AsOf.Known, b.SpeciesKey, pond), LifeStage.Growing).DoActMgL).Max();
}
