using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using Dorsk.Farm.Files;
using Dorsk.Farm.State;

namespace Dorsk.Web.Tests;

/// <summary>The program as it is started: every wrong start ends with one plain sentence and no stack trace.</summary>
public sealed class StartTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-start-").FullName;

    private string At(string name) => Path.Combine(folder, name);

    private string Farm(string name, bool demo = false)
    {
        using var taken = FarmFolder.Take(At(name), true);
        if (demo)
            new MadeAs(taken.File).MarkDemo();
        return At(name);
    }

    private static ProcessStartInfo Program(
        IEnumerable<string> arguments,
        params (string Name, string Value)[] environment
    )
    {
        var info = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "dorsk.dll"), .. arguments])
        {
            RedirectStandardError = true,
            RedirectStandardOutput = true,
            RedirectStandardInput = true,
        };
        foreach (var (name, value) in environment)
            info.Environment[name] = value;
        return info;
    }

    private static (int Code, string Said) Run(string arguments, params (string, string)[] environment)
    {
        using var process = Process.Start(
            Program(arguments.Split(' ', StringSplitOptions.RemoveEmptyEntries), environment)
        )!;
        process.StandardInput.Close();
        var said = process.StandardError.ReadToEndAsync();
        _ = process.StandardOutput.ReadToEndAsync();
        if (!process.WaitForExit(60_000))
        {
            process.Kill();
            return (0, "it went on to serve");
        }
        return (process.ExitCode, said.Result);
    }

    private static void OneSentence((int Code, string Said) ended, string part)
    {
        Assert.Equal(1, ended.Code);
        Assert.Contains(part, ended.Said, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", ended.Said, StringComparison.Ordinal);
        Assert.DoesNotContain("Unhandled", ended.Said, StringComparison.Ordinal);
        Assert.Single(ended.Said.Trim().Split('\n'));
    }

    [Fact]
    public void Wrong_starts_end_with_one_sentence()
    {
        var farm = Farm("farm");
        const string url = "--urls http://127.0.0.1:0";
        OneSentence(Run($"--data {At("missing")} {url}"), "--new");
        Assert.False(Directory.Exists(At("missing")));
        Directory.CreateDirectory(At("bad"));
        File.WriteAllText(
            Path.Combine(At("bad"), "farm.db"),
            "no database but a long note about one, longer than a head of a hundred bytes, so that it is read in whole"
        );
        OneSentence(Run($"--data {At("bad")} {url}"), "no data file of Dorsk");
        File.WriteAllText(Path.Combine(At("bad"), "farm.db"), "");
        OneSentence(Run($"--data {At("bad")} {url}"), "is empty");
        OneSentence(Run($"--data {farm} --urls nonsense"), "--urls takes");
        OneSentence(Run($"--data {farm} {url} --mqtt 99999"), "--mqtt takes");
        OneSentence(Run($"--data {farm} {url} --mqtt 1883 --mqtt-at everywhere"), "--mqtt-at takes");
        OneSentence(Run($"--data {farm} {url} --smtp ::"), "--smtp takes");
        OneSentence(Run($"--data {farm} {url} --proxy near"), "--proxy takes");
        OneSentence(Run($"--data {farm} {url} --heartbeat nowhere"), "--heartbeat takes");
        OneSentence(Run($"--data {farm} {url} --alarm-look 0"), "--alarm-look takes");
        OneSentence(Run($"--data {farm} {url} --new"), "without --new");
        OneSentence(Run($"--data {Farm("demo", demo: true)} {url} --clock soon"), "--clock takes");
        foreach (
            var verb in new[]
            {
                "backup x.zip",
                "export x.zip",
                "password Manager",
                $"restore {farm}/farm.db",
                "import none.zip",
                "facts none.db",
            }
        )
            OneSentence(Run($"{verb} --data {At("missing2")}"), "");
    }

    [Fact]
    public void A_farms_own_file_takes_no_demo_switch_from_the_command_line_or_the_environment()
    {
        var farm = Farm("farm");
        foreach (
            var (switches, environment) in new[]
            {
                ("--demo true", ""),
                ("--clock 2027-01-21T17:40+10:00", ""),
                ("--rate 60", ""),
                ("", "DEMO=true"),
                ("", "CLOCK=2027-01-21T17:40+10:00"),
            }
        )
            OneSentence(
                Run(
                    $"--data {farm} --urls http://127.0.0.1:0 {switches}",
                    environment.Length == 0 ? [] : [(environment.Split('=')[0], environment.Split('=', 2)[1])]
                ),
                "no demo"
            );
    }

    [Fact]
    public async Task A_port_in_use_and_a_folder_served_already_are_said_and_a_new_farm_opens()
    {
        using var busy = new TcpListener(IPAddress.Loopback, 0);
        busy.Start();
        var port = ((IPEndPoint)busy.LocalEndpoint).Port;
        OneSentence(Run($"--data {Farm("farm")} --urls http://127.0.0.1:{port}"), "in use");
        OneSentence(Run($"--data {At("farm")} --urls http://127.0.0.1:0 --mqtt {port}"), "in use");
        using var serving = Process.Start(Program(["--data", At("new"), "--urls", "http://127.0.0.1:0", "--new"]))!;
        try
        {
            string? url = null;
            while (url is null && await serving.StandardOutput.ReadLineAsync() is { } line)
                url = System.Text.RegularExpressions.Regex.Match(line, @"Now listening on: (http:\S+)")
                    is { Success: true } m
                    ? m.Groups[1].Value
                    : null;
            _ = serving.StandardOutput.ReadToEndAsync();
            using var client = new HttpClient();
            Assert.Contains(
                "first person is its Manager",
                await client.GetStringAsync(url + "/sign-in"),
                StringComparison.Ordinal
            );
            Assert.Contains(
                "\"watch\":\"Starting\"",
                await client.GetStringAsync(url + "/health"),
                StringComparison.Ordinal
            );
            OneSentence(Run($"--data {At("new")} --urls http://127.0.0.1:0"), "served by another");
        }
        finally
        {
            serving.Kill();
            await serving.WaitForExitAsync();
        }
    }

    public void Dispose()
    {
        Directory.Delete(folder, true);
    }
}
