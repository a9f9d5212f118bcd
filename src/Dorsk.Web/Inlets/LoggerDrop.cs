using System.Globalization;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;

namespace Dorsk.Web.Inlets;

/// <summary>
/// Files of loggers dropped into a folder: <c>DATA/drop/NAME/anything.csv</c>, NAME being the probe's. What was read is moved to <c>done</c> beside it, with a text of
/// what became of it; what could not be read to <c>refused</c>. Off while the folder is not there.
/// </summary>
/// <param name="files">Reads them.</param>
/// <param name="questions">The farm's devices.</param>
/// <param name="options"><c>--data</c>, and <c>--drop-look</c>: seconds between two looks, 5 unless said otherwise.</param>
/// <param name="log">The program's log.</param>
public sealed class LoggerDrop(LoggerFile files, Questions questions, StartOptions options, ILogger<LoggerDrop> log)
    : BackgroundService
{
    // A file that is still being copied is left alone until it has rested.
    private static readonly TimeSpan Rest = TimeSpan.FromSeconds(2);

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(options.DropLook);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                Round();
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(problem, "The drop folder could not be looked through; it is tried again.");
            }
    }

    /// <summary>Reads what lies there; how many files.</summary>
    public int Round()
    {
        var folder = Path.Combine(options.Data, "drop");
        if (!Directory.Exists(folder))
            return 0;
        var n = 0;
        foreach (var of in Directory.GetDirectories(folder))
        {
            var probe = questions
                .Devices()
                .Select(d => d.Kept)
                .FirstOrDefault(d =>
                    d is { Gone: false, Use: DeviceUse.Probe }
                    && string.Equals(d.Name, Path.GetFileName(of), StringComparison.OrdinalIgnoreCase)
                );
            foreach (
                var file in Directory
                    .GetFiles(of)
                    .Where(f =>
                        Path.GetExtension(f).ToLowerInvariant() is ".csv" or ".txt"
                        && DateTime.UtcNow - File.GetLastWriteTimeUtc(f) > Rest
                    )
            )
            {
                One(file, of, probe);
                n++;
            }
        }
        return n;
    }

    private void One(string file, string of, DeviceKept? probe)
    {
        var (place, words) = ("done", "");
        try
        {
            var taken = files.Take(
                file,
                probe
                    ?? throw new FarmFilesException(
                        $"No probe is called {Path.GetFileName(of)}: make it under Setup, Devices."
                    )
            );
            words = Words(taken);
        }
        catch (FarmFilesException problem)
        {
            (place, words) = ("refused", problem.Message);
            log.LogWarning(
                "{File} was refused: {Why}",
                Core.Units.PlainText.Line(file, 300),
                Core.Units.PlainText.Line(problem.Message, 300)
            );
        }
        var to = Directory.CreateDirectory(Path.Combine(of, place)).FullName;
        var name =
            $"{DateTime.UtcNow.ToString("yyyyMMdd-HHmmss-fff", CultureInfo.InvariantCulture)}-{Path.GetFileName(file)}";
        File.Move(file, Path.Combine(to, name));
        File.WriteAllText(Path.Combine(to, name + ".said.md"), words);
    }

    /// <summary>What became of a file, in words.</summary>
    public static string Words(LoggerTaken taken) =>
        FormattableString.Invariant(
            $"{taken.Values} values kept. {taken.Columns}.{(taken.WrongLines == 0 ? "" : FormattableString.Invariant($" {taken.WrongLines} lines with something wrong: "))}{string.Join("; ", taken.Wrong.Take(10).Select(w => FormattableString.Invariant($"line {w.Line}: {w.Why}")))}"
        );
}
