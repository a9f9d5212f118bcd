using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Deliveries on arrival, and acclimations.</summary>
internal sealed class ReceivingBook : IBook
{
    public bool Keeps(Fact fact) => fact is FishReceived or AcclimationBegun or AcclimationNoted;

    public long? PondOf(Fact fact) => fact switch { FishReceived f => f.PondId, AcclimationBegun f => f.PondId, _ => ((AcclimationNoted)fact).PondId };

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        FishReceived f => f.Check(),
        AcclimationBegun f => Check(f),
        _ => ReceivingQuestions.Run(desk.Connection, desk.AsOf.Known, desk.Hand, ((AcclimationNoted)fact).RunId) is { } run && run.Begun.PondId == ((AcclimationNoted)fact).PondId ? ((AcclimationNoted)fact).Check(run) : [Remark.Refuse("", "There is no such acclimation, or it was taken back.")],
    };

    public void Write(Desk desk, Fact fact)
    {
        var c = desk.Connection;
        switch (fact)
        {
            case FishReceived f:
                Sqlite.Run(c, "INSERT INTO fish_received VALUES ($line, $pond, $species, $seller, $lot, $source, $count, $g, $dead, $lively, $even, $sound, $papers, $price, $verdict, $note)", ("line", desk.Line), ("pond", f.PondId), ("species", f.SpeciesKey), ("seller", f.Seller.Trim()), ("lot", f.Lot.Trim()), ("source", f.Source), ("count", f.Count), ("g", f.MeanG),
                    ("dead", f.Dead), ("lively", f.Lively), ("even", f.Even), ("sound", f.Sound), ("papers", f.Papers), ("price", f.Price), ("verdict", f.Verdict), ("note", f.Note.Trim()));
                break;
            case AcclimationBegun f:
                Sqlite.Run(c, "INSERT INTO acclimation VALUES ($line, $pond, $species, $g, $fish, $origin, $hours, $school)", ("line", desk.Line), ("pond", f.PondId), ("species", f.SpeciesKey), ("g", f.MeanG), ("fish", f.Fish), ("origin", f.Origin.Trim()), ("hours", f.HoursInBag), ("school", f.School));
                foreach (var (w, n) in f.Places.Prepend(f.Bag).Select((w, n) => (w, n)))
                    Sqlite.Run(c, "INSERT INTO acclimation_water VALUES ($line, $n, $temp, $ph, $salinity, $tan, $oxygen, $alkalinity)", ("line", desk.Line), ("n", n), ("temp", w.TempC), ("ph", w.Ph), ("salinity", w.SalinityPpt), ("tan", w.TanMgL), ("oxygen", w.DoMgL), ("alkalinity", w.AlkalinityMgL));
                break;
            case AcclimationNoted f:
                Sqlite.Run(c, "INSERT INTO acclimation_note VALUES ($line, $run, $pond, $event, $step, $temp, $ph, $salinity, $oxygen, $count, $text)", ("line", desk.Line), ("run", f.RunId), ("pond", f.PondId), ("event", f.Event), ("step", f.Step), ("temp", f.TempC), ("ph", f.Ph), ("salinity", f.SalinityPpt), ("oxygen", f.DoMgL), ("count", f.Count), ("text", f.Text.Trim()));
                break;
        }
    }

    private static IEnumerable<Remark> Check(AcclimationBegun f)
    {
        if (FishSpecies.Find(f.SpeciesKey) is null)
            yield return Remark.Refuse("species", "Choose a species from the list.");
        if (f.Fish is < 1 or > StockRules.MostFish)
            yield return Remark.Refuse("fish", "1 to 10,000,000 fish.");
        if (f.Places.Count == 0)
            yield return Remark.Refuse("t1", "Read the pond at one place at least; three tell more.");
        if (f.Origin.Length > 80)
            yield return Remark.Refuse("origin", "At most 80 letters.");
    }
}
