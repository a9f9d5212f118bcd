using System.Text.Json;

namespace Dorsk.Standins;

/// <summary>A text message that a real message program would have sent.</summary>
/// <param name="Name">To whom.</param>
/// <param name="Phone">Telephone number; may be empty.</param>
/// <param name="Subject">First line.</param>
/// <param name="Text">Text.</param>
public sealed record TextMessage(string Name, string Phone, string Subject, string Text);

/// <summary>A stand-in for a message program: takes each call as JSON over HTTP, keeps the newest and sends none.</summary>
public sealed class Messages
{
    private const int Most = 200;
    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web);
    private readonly LinkedList<TextMessage> all = [];

    /// <summary>Messages so far, the newest first.</summary>
    public IReadOnlyList<TextMessage> All
    {
        get
        {
            lock (all)
                return [.. all];
        }
    }

    /// <summary>Takes one.</summary>
    public async Task<IResult> Take(HttpRequest request)
    {
        try
        {
            if (await request.ReadFromJsonAsync<TextMessage>(Plain) is not { Name: not null, Text: not null } message)
                return Results.BadRequest("name and text are wanted");
            lock (all)
            {
                all.AddFirst(message);
                if (all.Count > Most)
                    all.RemoveLast();
            }
            return Results.Accepted();
        }
        catch (JsonException)
        {
            return Results.BadRequest("no JSON");
        }
    }
}
