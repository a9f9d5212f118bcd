using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Sheets;

/// <summary>Where an import stands.</summary>
public enum ImportStep
{
    /// <summary>The columns are being named.</summary>
    Columns,

    /// <summary>Lines are being checked.</summary>
    Checking,

    /// <summary>Checked; it waits for a person.</summary>
    Checked,

    /// <summary>Entered.</summary>
    Entered,

    /// <summary>It cannot go on.</summary>
    Failed,
}

/// <summary>One sheet on its way into the books, from the upload until it is entered or dropped. It lives in memory: a restart drops it, and nothing was written.</summary>
public sealed class SheetImport(string name, SheetFile sheet, string owner, ISlip? slip) : IDisposable
{
    private readonly CancellationTokenSource stop = new();
    private readonly Lock gate = new();
    private ICheckedSheet? found;
    private Task? running;

    /// <summary>Part of its address.</summary>
    public Guid Id { get; } = Guid.NewGuid();

    /// <summary>Name of the file as it was sent.</summary>
    public string Name => name;

    /// <summary>The slip that a line of it is; null: it holds readings.</summary>
    public ISlip? Slip => slip;

    /// <summary>Who sent it.</summary>
    public string Owner => owner;

    /// <summary>The sheet.</summary>
    public SheetFile Sheet => sheet;

    /// <summary>When it came.</summary>
    public DateTime Came { get; } = DateTime.UtcNow;

    /// <summary>Where it stands.</summary>
    public ImportStep Step { get; private set; } = ImportStep.Columns;

    /// <summary>Lines checked so far.</summary>
    public int Lines { get; private set; }

    /// <summary>What the check found.</summary>
    public SheetFound? Found => found?.Found;

    /// <summary>Values or slips entered.</summary>
    public int Entered { get; private set; }

    /// <summary>What was refused as it went in, because the books had changed since the check.</summary>
    public IReadOnlyList<SheetRemark> Refused { get; private set; } = [];

    /// <summary>Why it failed.</summary>
    public string Problem { get; private set; } = "";

    /// <summary>Begins to check it; what an earlier check found is dropped.</summary>
    /// <param name="check">The check: told how to say its progress and what stops it.</param>
    /// <param name="log">For what breaks on the way.</param>
    public void Check(Func<Action<int>, CancellationToken, ICheckedSheet> check, ILogger log)
    {
        lock (gate)
        {
            if (Step is ImportStep.Checking or ImportStep.Entered)
                return;
            found?.Dispose();
            (found, Lines, Step) = (null, 0, ImportStep.Checking);
            running = Task.Run(() =>
            {
                try
                {
                    var laid = check(n => Lines = n, stop.Token);
                    lock (gate)
                        (found, Step) = (laid, ImportStep.Checked);
                }
                catch (OperationCanceledException)
                {
                    // Dropped by a person; the desk took itself away.
                }
                catch (FarmFilesException problem)
                {
                    (Problem, Step) = (problem.Message, ImportStep.Failed);
                }
                catch (Exception problem)
                {
                    log.LogError(problem, "A sheet could not be checked.");
                    (Problem, Step) = (
                        "Something broke while the sheet was checked; it is in the farm's log. Nothing was entered.",
                        ImportStep.Failed
                    );
                }
            });
        }
    }

    /// <summary>Enters what was checked; once.</summary>
    public bool Enter(string author, bool withAsked)
    {
        lock (gate)
        {
            if (Step != ImportStep.Checked || found is null)
                return false;
            (Entered, Refused) = found.Enter(author, withAsked);
            (found, Step) = (null, ImportStep.Entered);
            return true;
        }
    }

    /// <summary>Drops it: the check is stopped, and its files are taken away.</summary>
    public void Dispose()
    {
        stop.Cancel();
        running?.Wait(TimeSpan.FromSeconds(10));
        lock (gate)
            found?.Dispose();
        File.Delete(sheet.Path);
        stop.Dispose();
    }
}

/// <summary>The imports under way, a few at most; the oldest gives way.</summary>
/// <param name="file">The farm's data file: sheets wait beside it.</param>
public sealed class SheetImports(FarmFile file)
{
    private const int Most = 4;
    private readonly Dictionary<Guid, SheetImport> all = [];
    private readonly string folder = Fresh(file);
    private readonly Lock gate = new();

    /// <summary>Takes a file in.</summary>
    /// <exception cref="FarmFilesException">It is no sheet.</exception>
    public async Task<SheetImport> Take(string name, Stream content, string owner, ISlip? slip)
    {
        var path = Path.Combine(folder, $"{Guid.NewGuid():N}.csv");
        try
        {
            await using (var to = File.Create(path))
                await content.CopyToAsync(to);
            var import = new SheetImport(name, SheetFile.Open(path), owner, slip);
            List<SheetImport> old;
            lock (gate)
            {
                old = all.Values.OrderBy(i => i.Came).Take(Math.Max(0, all.Count + 1 - Most)).ToList();
                old.ForEach(i => all.Remove(i.Id));
                all[import.Id] = import;
            }
            old.ForEach(i => i.Dispose());
            return import;
        }
        catch
        {
            File.Delete(path);
            throw;
        }
    }

    // Sheets of a run before this one belong to nobody any more.
    private static string Fresh(FarmFile file)
    {
        var folder = Directory
            .CreateDirectory(Path.Combine(Path.GetDirectoryName(Path.GetFullPath(file.Path))!, "sheets"))
            .FullName;
        foreach (var left in Directory.EnumerateFiles(folder))
            File.Delete(left);
        return folder;
    }

    /// <summary>An import of this person, or null.</summary>
    public SheetImport? Of(Guid id, string owner)
    {
        lock (gate)
            return all.GetValueOrDefault(id) is { } import && import.Owner == owner ? import : null;
    }

    /// <summary>Drops one.</summary>
    public void Drop(SheetImport import)
    {
        lock (gate)
            all.Remove(import.Id);
        import.Dispose();
    }
}
