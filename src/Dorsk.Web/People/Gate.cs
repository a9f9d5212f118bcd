using System.Reflection;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;

namespace Dorsk.Web.People;

/// <summary>
/// Stands before every page handler and endpoint. The rule is on the handler, else on its page; a handler without a rule is shut,
/// so that a forgotten one shows at once.
/// </summary>
public sealed class Gate(Here here) : IAsyncPageFilter
{
    public Task OnPageHandlerSelectionAsync(PageHandlerSelectedContext context) => Task.CompletedTask;

    public async Task OnPageHandlerExecutionAsync(
        PageHandlerExecutingContext context,
        PageHandlerExecutionDelegate next
    )
    {
        var rules = RulesOf(context.HandlerMethod?.MethodInfo, context.ActionDescriptor.EndpointMetadata);
        // A page answers what it has a handler for; without one the framework would show the page half made.
        if (
            context.HandlerMethod is null
            && context.ActionDescriptor.ViewEnginePath != "/Error"
            && !HttpMethods.IsGet(context.HttpContext.Request.Method)
            && !HttpMethods.IsHead(context.HttpContext.Request.Method)
        )
            context.Result = new StatusCodeResult(StatusCodes.Status405MethodNotAllowed);
        else if (
            HttpMethods.IsPost(context.HttpContext.Request.Method)
            && context.HandlerMethod is { } posted
            && !context.HttpContext.Request.HasFormContentType
            && posted.MethodInfo.GetCustomAttribute<TakesJsonAttribute>() is null
        )
            context.Result = new StatusCodeResult(StatusCodes.Status415UnsupportedMediaType);
        else if (Refusal(context.HttpContext, rules) is { } refusal)
            context.Result =
                refusal == StatusCodes.Status302Found
                    ? new RedirectResult(SignIn(context.HttpContext))
                    : new StatusCodeResult(refusal);
        else
            await next();
    }

    /// <summary>The rule of a handler: its own, else its page's; null when there is none.</summary>
    public static Attribute? RulesOf(MethodInfo? handler, IEnumerable<object> page) =>
        handler?.GetCustomAttributes().FirstOrDefault(a => a is NeedsAttribute or OpenAttribute)
        ?? page.OfType<Attribute>().LastOrDefault(a => a is NeedsAttribute or OpenAttribute);

    /// <summary>What to answer instead of the page, or null when the person may.</summary>
    public int? Refusal(HttpContext http, Attribute? rule)
    {
        if (rule is OpenAttribute)
            return null;
        if (here.Person is null)
            return
                HttpMethods.IsGet(http.Request.Method)
                && http.Request.Headers.Accept.ToString().Contains("html", StringComparison.Ordinal)
                ? StatusCodes.Status302Found
                : StatusCodes.Status401Unauthorized;
        return rule is NeedsAttribute needs && here.May(needs.For(http)) ? null : StatusCodes.Status403Forbidden;
    }

    /// <summary>Where somebody who is not signed in is sent.</summary>
    public static string SignIn(HttpContext http) =>
        "/sign-in?back="
        + Uri.EscapeDataString(http.Request.Path + http.Request.QueryString)
        + (http.SessionEnded() ? "&ended=true" : "");
}

/// <summary>The same gate before endpoints that are not pages.</summary>
public static class GateBeforeEndpoints
{
    public static void UseGate(this WebApplication app) =>
        app.Use(
            async (http, next) =>
            {
                if (
                    http.GetEndpoint() is { } endpoint
                    && endpoint.Metadata.GetMetadata<Microsoft.AspNetCore.Mvc.RazorPages.PageActionDescriptor>() is null
                    && http
                        .RequestServices.GetRequiredService<Gate>()
                        .Refusal(http, Gate.RulesOf(null, endpoint.Metadata))
                        is { } refusal
                )
                {
                    if (refusal == StatusCodes.Status302Found)
                        http.Response.Redirect(Gate.SignIn(http));
                    else
                        http.Response.StatusCode = refusal;
                    return;
                }
                await next();
            }
        );
}
