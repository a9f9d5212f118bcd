using Dorsk.Core.Feeding;
using Dorsk.Core.Growth;
using Dorsk.Core.Judging;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Kinds of feed, loads of feed, feedings.</summary>
internal sealed class FeedBook : IBook
{
    // Fish weighed long ago have grown: a feeding is only asked about when it is too much even for the fastest growth since.
    private const double FastestRate = 1.3;

    public bool Keeps(Fact fact) => fact is FeedNamed or FeedReceived or StoreTaken or StoreCounted or FeedingGiven or RationSchoolSet or RationOverruled or FeederKept;

    public long? PondOf(Fact fact) => fact switch { FeedingGiven f => f.PondId, RationSchoolSet s => s.PondId, RationOverruled o => o.PondId, FeederKept k => k.PondId, _ => null };

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        FeedNamed f => FeedingRule.Check(f),
        FeedReceived f => [.. FeedingRule.Check(f), .. Known(desk, f.FeedId)],
        StoreTaken f => [.. f.Check(), .. Known(desk, f.FeedId)],
        StoreCounted f => [.. Known(desk, f.FeedId), .. f.Check(FeedMoves.Load(desk.Connection, desk.AsOf).Of(f.FeedId, desk.Happened)?.LeftKg ?? 0)],
        FeederKept k => k.Check(desk.Zone.DayOf(desk.Happened)),
        FeedingGiven f => [.. f.CheckHow(), .. Check(desk, f)],
        RationOverruled o => [.. o.Check(), .. FishQuestions.Standing(desk.Connection, desk.AsOf, o.PondId).Any(b => b.Id == o.BatchId) ? Array.Empty<Remark>() : [Remark.Refuse("kg", "This batch does not stand in this pond.")]],
        _ => [],
    };

    public void Write(Desk desk, Fact fact)
    {
        switch (fact)
        {
            case FeedNamed f:
                Sqlite.Run(desk.Connection, "INSERT INTO feed VALUES ($line, $feed, $name, $mm, $protein, $price, $kind, $fat, $energy, $floats, $bag, $lead)",
                    ("line", desk.Line), ("feed", f.FeedId > 0 ? f.FeedId : desk.Line), ("name", f.Name.Trim()), ("mm", f.PelletMm), ("protein", f.ProteinPct), ("price", f.PriceMinorPerKg),
                    ("kind", f.Kind), ("fat", f.FatPct), ("energy", f.EnergyMJKg), ("floats", f.Floats), ("bag", f.BagKg), ("lead", f.LeadDays));
                break;
            case FeedReceived f:
                Sqlite.Run(desk.Connection, "INSERT INTO feed_received VALUES ($line, $feed, $lot, $kg, $expiry, $price, $freight)", ("line", desk.Line), ("feed", f.FeedId), ("lot", f.Lot.Trim()), ("kg", f.MassKg), ("expiry", f.Expiry), ("price", f.PriceMinorPerKg), ("freight", f.FreightMinor));
                break;
            case StoreTaken f:
                Sqlite.Run(desk.Connection, "INSERT INTO store_taken VALUES ($line, $feed, $lot, $kg, $cause, $text)", ("line", desk.Line), ("feed", f.FeedId), ("lot", f.Lot.Trim()), ("kg", f.MassKg), ("cause", f.Cause), ("text", f.Text.Trim()));
                break;
            case StoreCounted f:
                Sqlite.Run(desk.Connection, "INSERT INTO store_counted VALUES ($line, $feed, $kg, $reason)", ("line", desk.Line), ("feed", f.FeedId), ("kg", f.MassKg), ("reason", f.Reason.Trim()));
                break;
            case FeedingGiven f:
                Sqlite.Run(desk.Connection, "INSERT INTO feeding VALUES ($line, $pond, $feed, $kg, $score, $minutes, $left)", ("line", desk.Line), ("pond", f.PondId), ("feed", f.FeedId), ("kg", f.MassKg), ("score", f.Score), ("minutes", f.Minutes), ("left", f.LeftKg));
                break;
            case FeederKept k:
                Sqlite.Run(desk.Connection, "INSERT INTO feeder VALUES ($line, $pond, $name, $dose, $grams, $weighed, $meals, $gone)", ("line", desk.Line), ("pond", k.PondId), ("name", k.Name.Trim()), ("dose", k.Dose), ("grams", k.GramsEach), ("weighed", k.WeighedOn), ("meals", k.Meals), ("gone", k.Gone));
                break;
            case RationSchoolSet s:
                Sqlite.Run(desk.Connection, "INSERT INTO ration_school VALUES ($line, $pond, $school)", ("line", desk.Line), ("pond", s.PondId), ("school", s.School));
                break;
            case RationOverruled o:
                Sqlite.Run(desk.Connection, "INSERT INTO ration_overruled VALUES ($line, $pond, $batch, $day, $kg, $reason)", ("line", desk.Line), ("pond", o.PondId), ("batch", o.BatchId), ("day", o.Day), ("kg", o.Kg), ("reason", o.Reason.Trim()));
                break;
        }
    }

    private static Remark[] Known(Desk desk, long feed) =>
        Sqlite.Number(desk.Connection, "SELECT count(*) FROM feed WHERE feed = $feed", ("feed", feed)) == 0 ? [Remark.Refuse("Feed", "Choose the kind of feed, or name a new one.")] : [];

    private static IEnumerable<Remark> Check(Desk desk, FeedingGiven f)
    {
        if (Known(desk, f.FeedId) is { Length: > 0 } unknown)
            return unknown;
        var stands = FishQuestions.Standing(desk.Connection, desk.AsOf, f.PondId).Where(b => b.Stands > 0)
            .Select(b => (b.Stands, MeanG: AtMostG(desk, b, f.PondId))).ToList();
        var kg = stands.Sum(s => s.Stands * s.MeanG / 1000);
        return FeedingRule.Check(f.MassKg, kg, stands.Select(s => s.MeanG).DefaultIfEmpty(0).Max(), desk.Hand);
    }

    private static double AtMostG(Desk desk, Core.Stock.BatchOnBooks batch, long pond)
    {
        var (meanG, at) = FishQuestions.LastWeighed(desk.Connection, desk.AsOf, batch.Id, pond);
        return GrowthLaws.After(meanG, FastestRate * SettingsQuestions.Species(desk.Connection, desk.AsOf, batch.SpeciesKey, pond).GrowthG13PerDay, (desk.Happened - at).TotalDays);
    }
}
