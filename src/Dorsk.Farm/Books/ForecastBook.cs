using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Forecasts as they were told.</summary>
internal sealed class ForecastBook : IBook
{
    public bool Keeps(Fact fact) => fact is ForecastIssued;

    public long? PondOf(Fact fact) => ((ForecastIssued)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => [];

    public void Write(Desk desk, Fact fact)
    {
        var f = (ForecastIssued)fact;
        Sqlite.Run(desk.Connection, "INSERT INTO forecast_issued VALUES ($line, $pond, $night, $method, $low, $from, $to, $at, $chance, $start, $shown)",
            ("line", desk.Line), ("pond", f.PondId), ("night", f.Night.Evening), ("method", f.Method), ("low", f.Low.Value), ("from", f.Low.Low), ("to", f.Low.High), ("at", f.LowAt), ("chance", f.ChanceUnderAct), ("start", f.StartAt), ("shown", f.Shown));
    }
}
