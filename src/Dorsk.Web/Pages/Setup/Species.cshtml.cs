using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One line of a table of starting values: what the table says, what holds, what the farm types.</summary>
public sealed record OwnFigure(
    string Handler,
    string PondCode,
    LifeStage Stage,
    string Key,
    string Name,
    string Table,
    string Now,
    bool Own,
    string Typed,
    string? Problem
);

/// <summary>Values of a species and limits of its water, each with its source and a way back.</summary>
[Needs(Permission.Setup)]
public sealed class SpeciesModel(Questions questions, Door door, Here here) : PageModel
{
    private string wrongField = "",
        typed = "",
        problem = "";

    public FishSpecies? Species { get; private set; }

    public LifeStage Stage { get; private set; } = LifeStage.Growing;

    public string PondCode { get; private set; } = "";

    public string? Said { get; private set; }

    public IReadOnlyList<Pond> Ponds => questions.Ponds();

    /// <summary>The farm's own species that is shown, with its line; null for one of the tables.</summary>
    public (long Line, OwnSpecies Species)? Own { get; private set; }

    public WaterLimits TableLimits => WaterLimits.For(FishSpecies.Of(Species!.Key), Stage);

    public string Where =>
        PondCode.Length > 0 ? $"limits for {PondCode}, {Word(Stage)}" : $"limits for the whole farm, {Word(Stage)}";

    public string Word(LifeStage stage) =>
        stage switch
        {
            LifeStage.Fry => "fry",
            LifeStage.Fingerling => "fingerlings",
            _ => "grow-out",
        };

    public IActionResult OnGet([FromRoute] string? key, [FromQuery] string? pond, [FromQuery] LifeStage? stage) =>
        here.Farm is null ? Redirect("/slip/farm")
        : Open(key, pond, stage) ? Page()
        : NotFound();

    public IActionResult OnPostValue(
        [FromRoute] string? key,
        [FromQuery] string? pond,
        [FromQuery] LifeStage? stage,
        string? field,
        string? value,
        bool reset
    ) =>
        Open(key, pond, stage) && Species is not null && SpeciesValue.Find(field ?? "") is { } v
            ? Keep(v.Key, v.Name, v.Measure, value, reset, si => new SpeciesValueSet(Species.Key, v.Key, si))
            : NotFound();

    public IActionResult OnPostLimit(
        [FromRoute] string? key,
        [FromQuery] string? pond,
        [FromQuery] LifeStage? stage,
        string? field,
        string? value,
        bool reset
    ) =>
        Open(key, pond, stage) && Species is not null && WaterLimit.Find(field ?? "") is { } l
            ? Keep(l.Key, l.Name, l.Measure, value, reset, si => new LimitSet(PondId, Species.Key, Stage, l.Key, si))
            : NotFound();

    public OwnFigure Row(SpeciesValue v) =>
        Row("Value", v.Key, v.Name, v.Measure, v.Of(FishSpecies.Of(Species!.Key)), v.Of(Species));

    public OwnFigure Row(WaterLimit l) =>
        Row("Limit", l.Key, l.Name, l.Measure, l.Of(TableLimits), l.Of(WaterLimits.For(Species!, Stage)));

    private long? PondId => Ponds.FirstOrDefault(p => p.Code == PondCode)?.Id;

    private bool Open(string? key, string? pond, LifeStage? stage)
    {
        var of = string.IsNullOrEmpty(pond) ? null : Ponds.FirstOrDefault(p => p.Code == pond);
        if (!string.IsNullOrEmpty(pond) && of is null || stage is { } s && !Enum.IsDefined(s))
            return false;
        (PondCode, Stage) = (of?.Code ?? "", stage ?? LifeStage.Growing);
        Species = key is null ? null : questions.Species(key, of?.Id);
        Own = questions
            .OwnSpecies()
            .Select(s => ((long, OwnSpecies Fact)?)s)
            .FirstOrDefault(s => s!.Value.Fact.Key == key);
        return key is null || Species is not null;
    }

    private PageResult Keep(
        string field,
        string name,
        Measure measure,
        string? text,
        bool reset,
        Func<double?, Fact> fact
    )
    {
        var form = new SlipForm(new Dictionary<string, string> { [field] = text ?? "" }, here);
        var si = reset ? null : (double?)form.Quantity(field, measure);
        var remarks = EnterFigure(name, text, reset, fact, form, si);
        if (remarks.Count > 0)
        {
            (wrongField, typed, problem) = (field, text ?? "", string.Join(" ", remarks.Select(r => r.Text)));
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        }
        else
            Said =
                $"{Words.Sentence(name)}: {(reset ? "back to what stands above it" : "the farm's own figure holds from now on")}.";
        Open(Species!.Key, PondCode, Stage);
        return Page();
    }

    private IReadOnlyList<Remark> EnterFigure(
        string name,
        string? text,
        bool reset,
        Func<double?, Fact> fact,
        SlipForm form,
        double? si
    ) =>
        form.Remarks.Count > 0 && !reset
            ? form.Remarks
            : door.Enter(
                Entry.Of(
                    Guid.NewGuid(),
                    here.Author,
                    here.Now,
                    fact(si),
                    $"{Species!.Name}{(PondCode.Length > 0 ? " in " + PondCode : "")}: {name} {(reset ? "back to the table" : text)}"
                )
            ).Remarks;

    private OwnFigure Row(string handler, string key, string name, Measure measure, double table, double now) =>
        new(
            handler,
            PondCode,
            Stage,
            key,
            name,
            QuantityText.Write(table, measure, here.Hand),
            QuantityText.Write(now, measure, here.Hand),
            Math.Abs(now - table) > 1e-9,
            key == wrongField ? typed : "",
            key == wrongField ? problem : null
        );
}
