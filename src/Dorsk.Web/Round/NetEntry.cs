using System.Globalization;
using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Round;

/// <summary>Turns what the phone kept at the net into a line for the door.</summary>
public static class NetEntry
{
    /// <summary>Reads it; misreadings come back as remarks.</summary>
    /// <param name="kept">What the phone kept.</param>
    /// <param name="story">The pond.</param>
    /// <param name="at">When it was kept.</param>
    /// <param name="here">The farm.</param>
    public static (IReadOnlyList<NewLine> Lines, IReadOnlyList<Remark> Remarks) Read(
        Stopped kept,
        PondStory story,
        DateTimeOffset at,
        Here here
    )
    {
        var form = new SlipForm((kept.Values ?? []).ToDictionary(v => v.Key, v => v.Value ?? ""), here);
        var net = long.TryParse(form.Text("net"), NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
        var pull = form.Whole("pull", "pull");
        var fact = FactOf(form, net, story.Pond.Id, pull);
        if (fact is null)
            form.Refuse("", "This phone wrote something this farm does not know. Load the page again.");
        var typed = $"{story.Pond.Code} net {form.Text("what")} {form.Text("gross")}{form.Text("oxygen")}".Trim();
        return (fact is null ? [] : [new(at, fact, typed, null)], form.Remarks);
    }

    private static Fact? FactOf(SlipForm form, long net, long pond, int pull) =>
        form.Text("what") switch
        {
            "basket" => Basket(form, net, pond, pull),
            "read" => new NetNoted(
                net,
                pond,
                NetEvent.Read,
                pull,
                form.Quantity("oxygen", Measures.Oxygen),
                form.MaybeQuantity("crowd", Measures.Mass),
                ""
            ),
            "iced" => new NetNoted(net, pond, NetEvent.Iced, pull, null, null, ""),
            "over" => new NetNoted(net, pond, NetEvent.PullDone, pull, null, null, form.Text("missed")),
            _ => null,
        };

    private static BasketWeighed Basket(SlipForm form, long net, long pond, int pull) =>
        new(
            net,
            pond,
            pull,
            form.Choice("fate", [.. NetWord.Fates.Select(f => (f.Key, f.Fate))], "way", NetFate.OnIce),
            form.Quantity("gross", Measures.Mass),
            form.MaybeQuantity("tare", Measures.Mass) ?? 0
        )
        {
            Count = form.MaybeWhole("count", "fish"),
            ClassFromG = form.MaybeQuantity("class", Measures.Plain),
        };
}
