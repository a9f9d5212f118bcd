using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One lot: label, where its fish came from, what they ate and were given, who has them now.</summary>
[Needs(Permission.Look)]
public sealed class LotModel(Questions questions, Here here) : PageModel
{
    public LotTrace Trace { get; private set; } = null!;

    public IReadOnlyDictionary<long, BuyerDescribed> Buyers { get; private set; } =
        new Dictionary<long, BuyerDescribed>();

    /// <summary>The address of this page as a code that a phone reads, drawn for screen and label.</summary>
    public QrPicture Code { get; private set; } = null!;

    /// <summary>Hours from the water to the first sale; null while none was sold.</summary>
    public double? FirstSaleH =>
        Trace.Now.Lot.Sales.Where(s => s.Fact.Use == LotUse.Sold).Select(s => (DateTimeOffset?)s.At).Min() is { } at
            ? (at - Trace.Now.Lot.At).TotalHours
            : null;

    public IActionResult OnGet(long line) => Open(line) ? Page() : NotFound();

    /// <summary>The same as one list.</summary>
    public IActionResult OnGetCsv(long line) => Open(line) ? CsvAnswer.Of(Rows(), here, Trace.Now.Code) : NotFound();

    private bool Open(long line)
    {
        if (here.Farm is null || questions.Trace(line) is not { } trace)
            return false;
        Trace = trace;
        Buyers = questions.Buyers().ToDictionary(b => b.BuyerId);
        var address = $"{Request.Scheme}://{Request.Host}/lots/{line.ToString(CultureInfo.InvariantCulture)}";
        Code = QrPicture.Of(address);
        return true;
    }

    private IEnumerable<object?[]> Rows()
    {
        var lot = Trace.Now.Lot;
        yield return ["what", "from", "to", "name", "kg", "fish", "remark"];
        foreach (var o in Trace.Origins)
            yield return ["stocked", At(o.At), "", o.Origin, "", o.Count, $"{o.Seller} {o.SellersLot}".Trim()];
        foreach (var row in Trace.Stays.SelectMany(RowsOf))
            yield return row;
        yield return ["harvest", At(lot.At), "", Trace.Now.Code, lot.Harvest.MassKg, lot.Harvest.Count, lot.By];
        foreach (var s in lot.Sales)
            yield return
            [
                SaleWords.Of(s.Fact.Use),
                At(s.At),
                "",
                s.Fact.BuyerId is { } id && Buyers.TryGetValue(id, out var b) ? b.Name : "",
                s.Fact.LiveKg,
                "",
                s.By,
            ];
    }

    private IEnumerable<object?[]> RowsOf(LotStay s)
    {
        yield return ["pond", At(s.From), At(s.To), s.Pond, "", "", ""];
        foreach (var f in s.Feeds)
            yield return
            [
                "feed",
                f.First.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                f.Last.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                f.Name,
                f.Kg,
                "",
                s.Pond,
            ];
        foreach (var t in s.Treatments)
            yield return ["treatment", At(t.At), "", t.Product.Name, t.Given.AmountG / 1000, "", t.Given.Reason];
    }

    private string At(DateTimeOffset at) =>
        here.Zone.LocalAt(at).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);
}
