using AngleSharp.Dom;
using AngleSharp.Html.Dom;
using AngleSharp.Html.Parser;

namespace Dorsk.Web.Tests;

/// <summary>A slip as a browser holds it.</summary>
internal static class BrowserForm
{
    /// <summary>The slip of a page.</summary>
    public static IHtmlFormElement Of(string html, string which = "form.slip") =>
        (IHtmlFormElement)new HtmlParser().ParseDocument(html).QuerySelector(which)!;

    /// <summary>What a browser would send: the values that stand in the fields.</summary>
    public static Dictionary<string, string> Shown(IHtmlFormElement form)
    {
        var values = new Dictionary<string, string>();
        foreach (var field in form.QuerySelectorAll("[name]"))
            if (
                ValueOf(field) is { } value
                && field.GetAttribute("name") is not "__RequestVerificationToken" and var name
            )
                values[name!] = value;
        return values;
    }

    private static string? ValueOf(IElement field) =>
        field switch
        {
            IHtmlInputElement { Type: "checkbox" or "radio" } box => box.IsChecked ? box.Value : null,
            IHtmlInputElement input => input.Value,
            IHtmlSelectElement select => select.Value,
            IHtmlTextAreaElement text => text.Value,
            _ => null,
        };
}
