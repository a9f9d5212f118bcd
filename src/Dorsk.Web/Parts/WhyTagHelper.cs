using System.Text.Encodings.Web;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace Dorsk.Web.Parts;

/// <summary>A computed figure that opens its grounds: <c>&lt;why of="grounds"&gt;42 kg&lt;/why&gt;</c>.</summary>
[HtmlTargetElement("why")]
public sealed class WhyTagHelper(Here here) : TagHelper
{
    /// <summary>The grounds.</summary>
    public required Grounds Of { get; set; }

    /// <summary>Opens towards the left, at the right edge of the page.</summary>
    public bool Flip { get; set; }

    /// <inheritdoc/>
    public override async Task ProcessAsync(TagHelperContext context, TagHelperOutput output)
    {
        var figure = await output.GetChildContentAsync();
        string E(string text) => HtmlEncoder.Default.Encode(text);
        output.TagName = "details";
        output.Attributes.SetAttribute("class", "why");
        output.Attributes.SetAttribute("data-computed", "");
        output.Content.SetHtmlContent(
            "<summary>" + figure.GetContent() + "<span class=\"visually-hidden\">, why?</span></summary>"
        );
        var rows = string.Concat(
            Of.Inputs.Select(i => $"<dt>{E(i.Name)}</dt><dd>{E(Print(i))}</dd><dd class=\"how\">{E(i.Known)}</dd>")
        );
        var limits = string.Concat(Of.Limits.Select(l => $"<p>{E(l)}</p>"));
        var doubts = string.Concat(Of.Caveats.Select(c => $"<p class=\"doubt\">Doubt: {E(c)}</p>"));
        output.Content.AppendHtml(
            $"<div class=\"why-card{(Flip ? " flip" : "")}\"><p>{E(Of.Method)}</p>{(rows.Length > 0 ? $"<dl>{rows}</dl>" : "")}{limits}{doubts}<p class=\"tiny\">Source: {E(Of.Source)}</p></div>"
        );
    }

    private string Print(Input input) =>
        input.Words ?? (input.Si is { } si ? QuantityText.Write(si, input.Measure ?? Measures.Plain, here.Hand) : "–");
}

/// <summary>A quantity in the farm's unit: <c>&lt;qty v="12.3" of="Measures.Mass" /&gt;</c>.</summary>
[HtmlTargetElement("qty", TagStructure = TagStructure.WithoutEndTag)]
public sealed class QtyTagHelper(Here here) : TagHelper
{
    /// <summary>SI value.</summary>
    public double V { get; set; }

    /// <summary>The quantity.</summary>
    public required Measure Of { get; set; }

    /// <summary>Print without decimals; figures a farmer would round.</summary>
    public bool Whole { get; set; }

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var (figure, unit) = QuantityText.Parts(V, Of, here.Hand);
        var shown = Of.In(here.Hand);
        // Whole figures are for what is large: a small amount keeps the unit of its size.
        if (Whole && unit == shown.Symbol)
            figure = QuantityText.Figure(shown.FromSi(V), 0, here.Hand.Sign);
        output.TagName = null;
        output.Content.SetHtmlContent(
            HtmlEncoder.Default.Encode(figure)
                + (unit.Length == 0 ? "" : $"<span class=\"u\">{HtmlEncoder.Default.Encode(unit)}</span>")
        );
    }
}

/// <summary>A status: mark, word, colour.</summary>
[HtmlTargetElement("status", TagStructure = TagStructure.WithoutEndTag)]
public sealed class StatusTagHelper : TagHelper
{
    /// <summary>The status.</summary>
    public Status Of { get; set; }

    /// <summary>The word for a pond without fish.</summary>
    public string Unknown { get; set; } = "No fish";

    /// <inheritdoc/>
    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var mark = Of switch
        {
            Status.ActNow => "<path d=\"M7 1 13.5 12.5H.5Z\"/>",
            Status.Watch => "<path d=\"M7 .8 13.2 7 7 13.2.8 7Z\"/>",
            _ => "<circle cx=\"7\" cy=\"7\" r=\"5.2\"/>",
        };
        var word = Of switch
        {
            Status.ActNow => "Act now",
            Status.Watch => "Watch",
            Status.Steady => "Steady",
            _ => Unknown,
        };
        output.TagName = "span";
        output.TagMode = TagMode.StartTagAndEndTag;
        output.Attributes.SetAttribute("class", "st st-" + Of);
        output.Content.SetHtmlContent(
            $"<svg class=\"mk-{Of}\" width=\"14\" height=\"14\" viewBox=\"0 0 14 14\" aria-hidden=\"true\">{mark}</svg>{word}"
        );
    }
}
