using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;

namespace Dorsk.Bench;

/// <summary>A published app in a process of its own, with a browser's cookies.</summary>
internal sealed partial class RunningApp : IDisposable
{
    private readonly Process process;

    private RunningApp(Process process, Uri url, CookieContainer cookies, TimeSpan toFirstPage)
    {
        (this.process, Url, ToFirstPage) = (process, url, toFirstPage);
        Client = new HttpClient(new SocketsHttpHandler { CookieContainer = cookies, AllowAutoRedirect = false })
        {
            BaseAddress = url,
        };
        Client.DefaultRequestHeaders.Accept.ParseAdd("text/html");
    }

    public Uri Url { get; }

    public HttpClient Client { get; }

    /// <summary>From the start of the process to the last byte of the first page.</summary>
    public TimeSpan ToFirstPage { get; }

    public static async Task<RunningApp> Start(string program, string arguments, string page, CookieContainer cookies)
    {
        var watch = Stopwatch.StartNew();
        var process = Process.Start(
            new ProcessStartInfo(program, "--urls http://127.0.0.1:0 " + arguments)
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        process.ErrorDataReceived += (_, e) =>
        {
            if (e.Data is { } line)
                Console.Error.WriteLine(line);
        };
        process.BeginErrorReadLine();
        Uri? url = null;
        while (url is null && await process.StandardOutput.ReadLineAsync() is { } line)
            if (Listening().Match(line) is { Success: true } m)
                url = new(m.Groups[1].Value);
        _ = process.StandardOutput.ReadToEndAsync();
        if (url is null)
            throw new InvalidOperationException($"{program} ended before it listened.");
        // Cookies belong to the host, not to the port.
        var app = new RunningApp(process, url, cookies, TimeSpan.Zero);
        var answer = await app.Client.GetAsync(page);
        await answer.Content.ReadAsByteArrayAsync();
        if (answer.StatusCode != HttpStatusCode.OK)
            throw new InvalidOperationException($"{page} answered {(int)answer.StatusCode}");
        return new(process, url, cookies, watch.Elapsed);
    }

    /// <summary>Signs in as the demo's Manager.</summary>
    public async Task SignIn()
    {
        var html = await Client.GetStringAsync("/sign-in");
        var manager = Button().Match(html).Groups[1].Value;
        (await Post("/sign-in?handler=Demo", html, ("person", manager))).Dispose();
    }

    /// <summary>Posts a form with the token of a page.</summary>
    public async Task<HttpResponseMessage> Post(
        string path,
        string pageWithToken,
        params (string Name, string Value)[] values
    )
    {
        var form = values
            .Append(("__RequestVerificationToken", Token().Match(pageWithToken).Groups[1].Value))
            .Select(v => new KeyValuePair<string, string>(v.Item1, v.Item2));
        var answer = await Client.PostAsync(path, new FormUrlEncodedContent(form));
        return (int)answer.StatusCode < 400
            ? answer
            : throw new InvalidOperationException($"{path} answered {(int)answer.StatusCode}");
    }

    /// <summary>Milliseconds for one page, to its last byte.</summary>
    public async Task<double> Time(string path)
    {
        var watch = Stopwatch.StartNew();
        using var answer = await Client.GetAsync(path);
        await answer.Content.ReadAsByteArrayAsync();
        return answer.StatusCode == HttpStatusCode.OK
            ? watch.Elapsed.TotalMilliseconds
            : throw new InvalidOperationException(
                string.Create(CultureInfo.InvariantCulture, $"{path} answered {(int)answer.StatusCode}")
            );
    }

    public void Dispose()
    {
        process.Kill();
        process.WaitForExit();
        process.Dispose();
        Client.Dispose();
    }

    [GeneratedRegex(@"Now listening on: (http:\S+)")]
    private static partial Regex Listening();

    [GeneratedRegex("name=\"person\"\\s+value=\"(\\d+)\"")]
    private static partial Regex Button();

    [GeneratedRegex("name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\"")]
    private static partial Regex Token();
}
