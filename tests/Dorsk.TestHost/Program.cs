using System.Collections.Concurrent;
using System.Globalization;
using System.Text.Json;
using Dorsk.Web;

// Many farms, one program: a browser test gets a farm of its own without a start of its own.
// One line of JSON in for each word: {"id":"1","start":["--data","DIR","--new"]} or {"id":"1","stop":true}; one line out behind "@@".
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.DefaultThreadCurrentUICulture = CultureInfo.InvariantCulture;
var open = new ConcurrentDictionary<string, Serving>();
var gate = new Lock();

while (Console.In.ReadLine() is { } line)
    _ = Task.Run(() => Answer(line));

async Task Answer(string line)
{
    var word = JsonSerializer.Deserialize<Word>(line, JsonSerializerOptions.Web)!;
    try
    {
        if (word.Stop)
        {
            open.TryRemove(word.Id, out var ended);
            await ended!.App.StopAsync();
            await ended.DisposeAsync();
            Say(new { word.Id });
        }
        else
        {
            var begun = Serving.Take(word.Start!);
            open[word.Id] = begun;
            await begun.App.StartAsync();
            Say(
                new
                {
                    word.Id,
                    Url = begun.App.Urls.First(),
                    Urls = begun.App.Urls.ToArray(),
                }
            );
        }
    }
    catch (Exception problem)
    {
        Say(new { word.Id, Problem = problem.ToString() });
    }
}

void Say(object answer)
{
    lock (gate)
        Console.WriteLine("@@" + JsonSerializer.Serialize(answer, JsonSerializerOptions.Web));
}

internal sealed record Word(string Id, string[]? Start, bool Stop);
