using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Season;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A recurring task.</summary>
internal sealed class DutySlip : ISlip
{
    private static readonly Role[] Doers = [Role.PondHand, Role.NightWatch, Role.Manager];

    public string Key => "duty";

    public string Title => "Recurring task";

    public string Button => "Save this job";

    public bool OfPond => false;

    public string FactKind => nameof(DutyKept);

    public string Section => "";

    public string After => "/setup/duties";

    public Permission Needs => Permission.Manage;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<DutyKept>();
        string Date(DateOnly? d) => d?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "";
        return
        [
            c.Words("What", "What to do", old?.What ?? "").WithHint("such as siphon the floor"),
            c.Choice(
                "Pond",
                "Where",
                old?.PondId?.ToString(CultureInfo.InvariantCulture) ?? "",
                Places(c).Select(p => (p.Key, p.Name)).ToList()
            ),
            c.Whole("Every", "Every", old?.EveryDays ?? 7).WithHint("days"),
            c.Day("From", "First on", Date(old?.From ?? c.Here.Today)),
            c.Hour("At", "Done by", (old?.At ?? new(8, 0)).ToString("HH:mm", CultureInfo.InvariantCulture)),
            c.Choice(
                "Who",
                "Falls to",
                old?.Who ?? Role.PondHand,
                Doers.Select(r => (r.ToString(), Permissions.Word(r))).ToList()
            ),
            c.Quantity("Share", "Share of the water, if it changes water", Measures.Share, old?.SharePct)
                .WithHint("its volume, cost and the old water left stand with the job"),
            c.Words("Reason", "Why", old?.Reason ?? "").WithHint("stands beside the job"),
            c.Day("Until", "Last on", Date(old?.Until)).WithHint("empty: it goes on"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var pond = form.Choice("Pond", Places(c).Select(p => (p.Key, p.Id)).ToList(), "place", null);
        var who = form.Choice("Who", Doers.Select(r => (r.ToString(), r)).ToList(), "role", Role.PondHand);
        var (every, from) = (form.Whole("Every", "days"), form.Day("From"));
        if (!SlipForm.TryHour(form.Text("At"), out var at))
            form.Refuse("At", "An hour from 00:00 to 23:59, such as 8:30.");
        DateOnly? until = form.Empty("Until") ? null : form.Day("Until");
        var fact = new DutyKept(
            c.Old<DutyKept>()?.DutyId ?? 0,
            pond,
            form.Text("What"),
            form.Text("Reason"),
            every,
            from,
            at,
            who,
            until
        )
        {
            SharePct = form.MaybeQuantity("Share", Measures.Share),
        };
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            string.Create(CultureInfo.InvariantCulture, $"{fact.What}, every {every} days"),
            []
        );
    }

    internal static List<(string Key, string Name, long? Id)> Places(SlipContext c) =>
        [
            ("", "the whole farm", null),
            .. c.Questions.Ponds().Select(p => (p.Id.ToString(CultureInfo.InvariantCulture), p.Code, (long?)p.Id)),
        ];
}
