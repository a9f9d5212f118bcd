using System.Net;
using System.Text.RegularExpressions;

namespace Dorsk.Web.Tests;

/// <summary>A page as it is read: its text without tags, blanks as one.</summary>
internal static class PageText
{
    public static string Plain(string html) =>
        Regex.Replace(WebUtility.HtmlDecode(Regex.Replace(html, "<[^>]+>", " ")), "\\s+", " ");
}
