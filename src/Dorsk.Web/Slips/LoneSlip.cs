using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Safety;

namespace Dorsk.Web.Slips;

/// <summary>Somebody works alone: by when they are heard again, or that they are back.</summary>
internal sealed class LoneSlip : ISlip
{
    private const int Usual = 30;

    private static readonly (string Key, string Word, int Minutes)[] Choices =
    [
        ("0", "I am back, no longer alone", 0),
        .. new[] { 15, 30, 45, 60, 90, 120, 240 }.Select(m =>
            (
                m.ToString(CultureInfo.InvariantCulture),
                string.Create(CultureInfo.InvariantCulture, $"in {m} minutes"),
                m
            )
        ),
    ];

    public string Key => "lone";

    public string Title => "Working alone: check-in timer";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(LoneWork);

    public string Section => "";

    public string After => "/alarms";

    public Permission Needs => Permission.Write;

    public string Caution =>
        "When the time passes without a check-in the alarm rings and the call list is called. A timer finds you late: two people are safer than one.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<LoneWork>();
        var me = c.Here.Person?.Name ?? "";
        var last = c.Questions.Alone(c.Here.Now).FirstOrDefault(o => o.Who == me);
        return
        [
            .. Lines.When(c),
            c.Choice("Who", "Who", old?.Who ?? me, People(c, old?.Who).ConvertAll(n => (n, n))),
            c.Choice(
                "Minutes",
                "Next check-in",
                (old?.Minutes ?? Usual).ToString(CultureInfo.InvariantCulture),
                [.. Choices.Skip(1).Append(Choices[0]).Select(x => (x.Key, x.Word))]
            ),
            c.Words("Place", "Where", old?.Place ?? last?.Place ?? "").WithHint("ponds and the way between them"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var minutes = form.Choice("Minutes", Choices.Select(x => (x.Key, x.Minutes)).ToList(), "time", Usual);
        var who = form.Choice(
            "Who",
            People(c, c.Old<LoneWork>()?.Who).ConvertAll(n => (n, n)),
            "person",
            c.Here.Person?.Name ?? ""
        );
        var at = form.When();
        return new(
            at,
            [new LoneWork(who, minutes, form.Text("Place"))],
            minutes == 0
                ? $"{who} is back"
                : string.Create(
                    CultureInfo.InvariantCulture,
                    $"{who} alone at {form.Text("Place")}, check-in in {minutes} min"
                ),
            minutes == 0 ? [] : [new("Rings from", c.Here.Hour(at.AddMinutes(minutes)))]
        );
    }

    /// <summary>Address of the slip, filled in for somebody who is out.</summary>
    public static string Address(OutAlone o, int minutes) =>
        FormattableString.Invariant(
            $"/slip/lone?Who={Uri.EscapeDataString(o.Who)}&Minutes={minutes}&Place={Uri.EscapeDataString(o.Place)}"
        );

    // Those who may write here; the author of an older line too.
    private static List<string> People(SlipContext c, string? old) =>
        [
            .. c
                .Questions.People()
                .Where(p => Permissions.May(p.Role, Permission.Write))
                .Select(p => p.Name)
                .Append(c.Here.Person?.Name)
                .Append(old)
                .OfType<string>()
                .Distinct(),
        ];
}
