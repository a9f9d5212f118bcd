using Dorsk.Core.Air;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>When a pond's aerators switch by themselves.</summary>
internal sealed class AirControlSlip : ISlip
{
    public string Key => "air-control";

    public Permission Needs => Permission.Manage;

    public string Title => "Automatic air";

    public string Button => "Save";

    public bool OfPond => true;

    public string FactKind => nameof(AirControlSet);

    public string Section => "water";

    public string Caution =>
        "A machine that starts by itself starts while somebody stands at it: isolator at the pond, lock and tag before any work, guards on. Wiring, protection and a panel that falls back to its own timer by a licensed electrician. It stands on one probe: a fouled probe reads low or high, so read by hand every day.";

    public string? CannotStart(SlipContext c) =>
        c.Story!.AeratorsAt(c.Here.Now).Count == 0 ? "No aerator is fitted in this pond. Describe them first." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<AirControlSet>() ?? c.Story!.Air.Control;
        var limits = c.Story!.Stock.LimitsOn(c.Here.Today);
        return
        [
            .. Lines.When(c),
            c.Yes("Automatic", "They follow the probe", old?.Automatic == true ? "true" : "")
                .WithHint("timers and hand orders stand above it"),
            c.Quantity("OnBelow", "Start under", Measures.Oxygen, old?.OnBelowMgL ?? limits?.DoWatchMgL)
                .WithHint(
                    limits is null
                        ? ""
                        : $"watch level {c.Here.Say(limits.DoWatchMgL, Measures.Oxygen)}, act level {c.Here.Say(limits.DoActMgL, Measures.Oxygen)}"
                ),
            c.Quantity("OffAbove", "Stop above", Measures.Oxygen, old?.OffAboveMgL ?? limits?.DoWatchMgL + 1.5)
                .WithHint("half a mg/L above at least, or they switch all night"),
            c.Whole("Stagger", "Seconds between two starts", old?.StaggerS ?? 10)
                .WithHint("so that the supply carries them; more on a generator"),
            c.Quantity("AllDayFrom", "Round the clock from", Measures.FishWeight, old?.AllDayFromG)
                .WithHint("average weight of the fish; empty: never"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new AirControlSet(
            c.PondId,
            form.Yes("Automatic"),
            form.Quantity("OnBelow", Measures.Oxygen),
            form.Quantity("OffAbove", Measures.Oxygen),
            form.Whole("Stagger", "seconds")
        )
        {
            AllDayFromG = form.MaybeQuantity("AllDayFrom", Measures.FishWeight),
        };
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} {(fact.Automatic ? $"automatic: on under {form.Text("OnBelow")}, off above {form.Text("OffAbove")}" : "not automatic")}",
            []
        );
    }
}

/// <summary>An aerator was serviced.</summary>
internal sealed class AirServiceSlip : ISlip
{
    public string Key => "air-service";

    public string Title => "Aerator serviced";

    public string Button => "Write it down";

    public bool OfPond => true;

    public string FactKind => nameof(AeratorServiced);

    public string Section => "water";

    public string Caution =>
        "Off at the main switch, locked and tagged, before anybody touches a paddle, a belt or a shaft. Hours between services are the maker's; the figure here is only a start.";

    public string? CannotStart(SlipContext c) => AirFields.None(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<AeratorServiced>();
        return
        [
            .. Lines.When(c),
            AirFields.Code(c, old?.Code),
            c.Whole("NextAfter", "Next after", (long)(old?.NextAfterH ?? 1000))
                .WithHint("hours of running, from its manual"),
            c.Words("Text", "What was done", old?.Text ?? "").WithHint("oil, bearings, belt, paddles, cable"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new AeratorServiced(
            c.PondId,
            AirFields.Read(form, c),
            form.Whole("NextAfter", "hours"),
            form.Text("Text")
        );
        return new(form.When(), [fact], $"{c.Story!.Pond.Code} {fact.Code} serviced", []);
    }
}

/// <summary>One step of taking a blower or aerator into use.</summary>
internal sealed class AirTestSlip : ISlip
{
    public string Key => "air-test";

    public string Title => "Take a blower or aerator into use, step by step";

    public string Button => "Save this step";

    public bool OfPond => true;

    public string FactKind => nameof(AeratorTested);

    public string Section => "water";

    public string Caution =>
        "First start by or with a licensed electrician: direction of turning, overload set to the plate, earth leakage tested. A blower starts with its relief valve open, never against a closed one. Casing and pipe burn hands. Start big paddles slowly, over about five minutes, to spare the gears.";

    public string? CannotStart(SlipContext c) => AirFields.None(c);

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var (old, code) = (
            c.Old<AeratorTested>(),
            c.Story!.AeratorsAt(c.Here.Now).Select(a => a.Code).FirstOrDefault() ?? ""
        );
        var last = old ?? c.Story.Air.Tests(code).LastOrDefault().Fact;
        return
        [
            .. Lines.When(c),
            AirFields.Code(c, old?.Code),
            c.Heading("What its plate allows"),
            c.Quantity("RatedA", "Rated current", Measures.Current, last?.Plate.CurrentA)
                .WithHint("an alarm rings when it draws more"),
            c.Quantity("MostPressure", "Highest pressure", Measures.Pressure, last?.Plate.PressureKPa)
                .WithHint("blowers; empty for paddles"),
            c.Quantity("MostTemp", "Highest temperature", Measures.Temperature, last?.Plate.TempC)
                .WithHint("of casing or air, from the manual; may be empty"),
            c.Heading("This step"),
            c.Words("Step", "What is set", old?.Step ?? "")
                .WithHint("such as relief valve open; first line; all lines"),
            c.Quantity("Current", "Current", Measures.Current, old?.CurrentA),
            c.Quantity("Pressure", "Pressure", Measures.Pressure, old?.PressureKPa),
            c.Quantity("Temp", "Temperature", Measures.Temperature, old?.TempC).WithHint("after ten steady minutes"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new AeratorTested(
            c.PondId,
            AirFields.Read(form, c),
            form.Text("Step"),
            new(
                form.Quantity("RatedA", Measures.Current),
                form.MaybeQuantity("MostPressure", Measures.Pressure),
                form.MaybeQuantity("MostTemp", Measures.Temperature)
            ),
            form.Quantity("Current", Measures.Current),
            form.MaybeQuantity("Pressure", Measures.Pressure),
            form.MaybeQuantity("Temp", Measures.Temperature)
        );
        var known = double.IsFinite(fact.CurrentA) && fact.Plate.CurrentA > 0;
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} {fact.Code} test, {fact.Step}: {form.Text("Current")} A",
            known ? [new("This step", AirFaults.Test(fact, c.Here.Hand).Judgement.Reason)] : []
        );
    }
}

/// <summary>The line that says which aerator.</summary>
internal static class AirFields
{
    public static string? None(SlipContext c) =>
        c.Story!.AeratorsAt(c.Here.Now).Count == 0 ? "No aerator is fitted in this pond. Describe them first." : null;

    public static SlipField Code(SlipContext c, string? old) =>
        c.Choice(
            "Code",
            "Which",
            old ?? c.Story!.AeratorsAt(c.Here.Now).Select(a => a.Code).FirstOrDefault() ?? "",
            [.. c.Story!.AeratorsAt(c.Here.Now).Select(a => (a.Code, a.Code))]
        );

    public static string Read(SlipForm form, SlipContext c) =>
        form.Choice("Code", [.. c.Story!.AeratorsAt(c.Here.Now).Select(a => (a.Code, a.Code))], "aerator", "");
}
