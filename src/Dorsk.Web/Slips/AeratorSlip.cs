using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Aerators of a pond and their nightly timers, all at once.</summary>
internal sealed class AeratorSlip : ISlip
{
    public string Key => "aerators";

    public Permission Needs => Permission.Switch;

    public string Title => "Aerators and timers";

    public string Button => "Save aerators";

    public bool OfPond => true;

    public string FactKind => nameof(AeratorsFitted);

    public string Section => "water";

    public string Caution =>
        "Electricity and water: wiring and earth-leakage protection by a licensed electrician; guard the shafts.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var now = c.Old<AeratorsFitted>()?.Aerators ?? c.Story!.AeratorsAt(c.Here.Now);
        if (!Alike(now))
            return [.. Lines.When(c), .. AeratorRows.Fields(c, now)];
        var timed = now.FirstOrDefault(a => a.On is not null);
        string Hour(TimeOnly? t) => t?.ToString("HH:mm", CultureInfo.InvariantCulture) ?? "";
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Kind",
                "Kind",
                now.Count > 0 ? now[0].Kind.Name : AeratorKind.All[1].Name,
                AeratorKind.All.Select(k => (k.Name, TableText.In(k.Name, c.Here.Hand))).ToList()
            ),
            c.Whole("Number", "How many", now.Count > 0 ? now.Count.ToString(CultureInfo.InvariantCulture) : "")
                .WithHint("0 when none is left"),
            c.Quantity("Power", "Rated power of each", Measures.Power, now.Count > 0 ? now[0].ShaftKW : null),
            c.Heading("Nightly timer"),
            c.Whole(
                "OnTimer",
                "How many run on the timer",
                now.Count(a => a.On is not null).ToString(CultureInfo.InvariantCulture)
            ),
            c.Hour("On", "On at", Hour(timed?.On ?? (now.Count == 0 ? new TimeOnly(20, 0) : null))),
            c.Hour("Off", "Off at", Hour(timed?.Off ?? (now.Count == 0 ? new TimeOnly(6, 30) : null))),
        ];
    }

    // One kind, one power, one timer, named in order: then a few figures say it all.
    private static bool Alike(IReadOnlyList<Aerator> fitted)
    {
        var timed = fitted.TakeWhile(a => a.On is not null).ToList();
        return fitted.Select(a => (a.Kind, a.ShaftKW)).Distinct().Count() <= 1
            && timed.Select(a => (a.On, a.Off)).Distinct().Count() <= 1
            && fitted.Skip(timed.Count).All(a => a.On is null)
            && fitted.Select((a, i) => a.Code == $"A{i + 1}").All(named => named)
            && fitted.All(IsPlain);
    }

    // Nothing is known of it but kind, power and timer.
    private static bool IsPlain(Aerator a) => a == new Aerator(a.Code, a.Kind, a.ShaftKW, a.On, a.Off);

    public Filled Read(SlipForm form, SlipContext c)
    {
        if (AeratorRows.Shown(form))
            return AeratorRows.Read(form, c);
        var kind = form.Choice("Kind", AeratorKind.All.Select(k => (k.Name, k)).ToList(), "kind", AeratorKind.All[1]);
        var number = form.Whole("Number", "aerators");
        var timed = form.Empty("OnTimer") ? 0 : form.Whole("OnTimer", "aerators");
        if (number is < 0 or > 40)
            form.Refuse("Number", "0 to 40 aerators.");
        if (timed < 0 || timed > number)
            form.Refuse("OnTimer", $"0 to {Math.Clamp(number, 0, 40)}: not more than there are.");
        var kw = number == 0 ? 0 : form.Quantity("Power", Measures.Power);
        TimeOnly? Hour(string field)
        {
            if (timed <= 0)
                return null;
            if (SlipForm.TryHour(form.Text(field), out var t))
                return t;
            form.Refuse(field, "Type the hour, such as 20:00.");
            return null;
        }
        var (on, off) = (Hour("On"), Hour("Off"));
        if (on is not null && on == off)
            form.Refuse("Off", "On and off at the same minute would never run. For all day type 12:00 to 11:59.");
        var fitted = Enumerable
            .Range(1, Math.Clamp(number, 0, 40))
            .Select(i => new Aerator("A" + i, kind, kw, i <= timed ? on : null, i <= timed ? off : null))
            .ToList();
        var ha = c.Story!.Pond.Shape.FullAreaM2 / 10_000;
        return new(
            form.When(),
            [new AeratorsFitted(c.PondId, fitted)],
            $"{c.Story.Pond.Code} {number} aerators, {timed} on timer",
            PowerDensity(c, kind, number, kw, ha)
        );
    }

    private static IReadOnlyList<Computed> PowerDensity(
        SlipContext c,
        AeratorKind kind,
        int number,
        double kw,
        double ha
    ) =>
        double.IsFinite(kw) && number > 0
            ?
            [
                new("For the area", c.Here.Say(number * kw / ha, Measures.PowerByArea)),
                new("Oxygen in standard water", c.Here.Say(number * kw * kind.SaeKgKWh, Measures.Mass) + " an hour"),
            ]
            : [];
}

/// <summary>The same, one by one: what drives each, where it pushes, its gears.</summary>
internal sealed class MachinesSlip : ISlip
{
    public string Key => "machines";

    public Permission Needs => Permission.Manage;

    public string Title => "Aerators one by one";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(AeratorsFitted);

    public string Section => "water";

    public string Caution =>
        "Off at the main switch and locked before anybody touches a paddle, a belt or a shaft. No wired pump stands in salt water; a tractor shaft is guarded over its whole length.";

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [
            .. Lines.When(c),
            .. AeratorRows.Fields(c, c.Old<AeratorsFitted>()?.Aerators ?? c.Story!.AeratorsAt(c.Here.Now)),
        ];

    public Filled Read(SlipForm form, SlipContext c) => AeratorRows.Read(form, c);
}
