namespace Dorsk.Web.Find;

/// <summary>Pages of the workbench and of setup that a browser had open last, kept in a cookie of its own.</summary>
public static class Lately
{
    private const string Cookie = "lately";
    private const int Kept = 6;
    private static readonly string[] Kinds = ["/workbench/", "/setup/"];

    /// <summary>Addresses of a kind, newest first.</summary>
    /// <param name="request">The request.</param>
    /// <param name="kind">What they begin with: <c>/workbench/</c> or <c>/setup/</c>.</param>
    public static IReadOnlyList<string> Of(HttpRequest request, string kind) =>
        [.. All(request).Where(a => a.StartsWith(kind, StringComparison.Ordinal))];

    /// <summary>Keeps what is opened.</summary>
    public static void UseLately(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                var path = context.Request.Path.Value ?? "";
                var kind = Kinds.FirstOrDefault(k => path.StartsWith(k, StringComparison.Ordinal));
                if (kind is not null && HttpMethods.IsGet(context.Request.Method))
                    context.Response.OnStarting(() =>
                    {
                        if (context.Response.StatusCode == StatusCodes.Status200OK)
                            Keep(context, kind, path);
                        return Task.CompletedTask;
                    });
                return next();
            }
        );

    private static void Keep(HttpContext context, string kind, string path)
    {
        var before = All(context.Request).Where(a => a != path).ToList();
        var kept = before
            .Where(a => a.StartsWith(kind, StringComparison.Ordinal))
            .Take(Kept - 1)
            .Prepend(path)
            .Concat(before.Where(a => !a.StartsWith(kind, StringComparison.Ordinal)));
        context.Response.Cookies.Append(
            Cookie,
            string.Join('|', kept),
            new()
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = context.Request.IsHttps,
                MaxAge = TimeSpan.FromDays(365),
            }
        );
    }

    private static string[] All(HttpRequest request) =>
        (request.Cookies[Cookie] ?? "").Split('|', StringSplitOptions.RemoveEmptyEntries);
}
