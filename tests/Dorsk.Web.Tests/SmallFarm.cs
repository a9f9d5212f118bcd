using Dorsk.Core.Feeding;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>The app in this process over a farm of one stocked pond, with an account for each role.</summary>
public sealed class SmallFarm : WebApplicationFactory<Program>
{
    public static readonly DateTimeOffset Now = new(2027, 1, 21, 7, 40, 0, TimeSpan.Zero);
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-web-").FullName;

    public SmallFarm()
    {
        var file = Dorsk.Farm.Tests.FreshFile.At(Path.Combine(folder, "farm.db"));
        new Dorsk.Farm.State.MadeAs(file).MarkDemo();
        var clock = new Still(Now.AddDays(-100));
        var door = new Door(file, clock);
        long Enter(Fact fact, DateTimeOffset at) =>
            door.Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact)) is { Accepted: true } r
                ? r.Lines[0]
                : throw new InvalidOperationException(fact.ToString());
        foreach (var role in Enum.GetValues<Role>().Where(r => r != Role.Gone))
            Enter(new PersonNamed(Permissions.Word(role), role), clock.At);
        Enter(
            new FarmDescribed("Test ponds", "made up", new(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD"),
            clock.At
        );
        PondId = Enter(
            new PondBuilt(new Pond(0, "P1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
            clock.At
        );
        Enter(new FeedNamed(0, "Grower", 4, 35, 215), clock.At);
        Enter(new AeratorsFitted(PondId, [new("A1", AeratorKind.All[1], 0.55, null, null)]), clock.At);
        BatchLine = Enter(
            new FishStocked(PondId, "silver_perch", "hatchery", 900, 60, CountBasis.ByWeight, "test", null),
            clock.At
        );
        clock.At = Now.AddHours(-2);
        ReadingLine = Enter(
            new ReadingTaken(PondId, [new(Parameter.Oxygen, 8), new(Parameter.Temperature, 26)]),
            clock.At
        );
        var water = new Dorsk.Core.Acclimate.AccWater(25, 7.5, 0, 0.2, 6.5, 80);
        AcclimationLine = Enter(
            new Dorsk.Core.Acclimate.AcclimationBegun(
                PondId,
                "silver_perch",
                2,
                500,
                "hatchery",
                water with
                {
                    TempC = 22,
                },
                [water, water, water],
                6,
                Dorsk.Core.Acclimate.AccSchool.FloatAndRelease
            ),
            clock.At
        );
        var salt = Enter(
            new ProductDescribed(
                0,
                "Pond salt",
                ProductKind.Salt,
                "sodium chloride",
                ActiveMatter.Other,
                1,
                DoseBasis.WaterMgL,
                5,
                5000
            )
            {
                BathMinutes = 30,
            },
            clock.At
        );
        TreatmentLine = Enter(new TreatmentGiven(PondId, salt, 50_000, 1, "scraped fish", ""), clock.At);
    }

    /// <summary>Switches of the command line beside the usual; set before the app is first asked.</summary>
    public Dictionary<string, string> Settings { get; } = new() { ["alarm-look"] = "600" };

    public long AcclimationLine { get; }

    public long PondId { get; }

    public long BatchLine { get; }

    public long ReadingLine { get; }

    public long TreatmentLine { get; }

    public string Data => folder;

    /// <summary>A browser signed in as a role, that follows no redirects; null is nobody.</summary>
    public async Task<Visitor> As(Role? role)
    {
        var client = CreateClient(new() { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.Accept.ParseAdd("text/html");
        var visitor = new Visitor(client);
        await visitor.Token("/sign-in");
        if (role is { } r)
        {
            var id = Services.GetRequiredService<Dorsk.Farm.Ask.Questions>().People().First(p => p.Role == r).PersonId;
            var answer = await visitor.Post(
                "/sign-in?handler=Demo",
                new() { ["person"] = id.ToString(System.Globalization.CultureInfo.InvariantCulture) }
            );
            Assert.Equal(System.Net.HttpStatusCode.Redirect, answer.StatusCode);
            await visitor.Token("/me");
        }
        return visitor;
    }

    /// <summary>Requests that seem to come from an address.</summary>
    public HttpClient WithAddress(System.Net.IPAddress address) =>
        new(Server.CreateHandler(http => http.Connection.RemoteIpAddress = address))
        {
            BaseAddress = Server.BaseAddress,
        };

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder
            .UseSetting("data", folder)
            .UseSetting("demo", "true")
            .UseSetting("clock", Now.ToString("O", System.Globalization.CultureInfo.InvariantCulture))
            .UseSetting("rate", "0");
        foreach (var (key, value) in Settings)
            builder.UseSetting(key, value);
    }

    private sealed class Still(DateTimeOffset at) : TimeProvider
    {
        public DateTimeOffset At { get; set; } = at;

        public override DateTimeOffset GetUtcNow() => At;
    }
}

/// <summary>A browser with its form token.</summary>
public sealed class Visitor(HttpClient client)
{
    private string token = "";

    public HttpClient Client => client;

    public string TokenText => token;

    public async Task Token(string page)
    {
        var html = await client.GetStringAsync(page);
        token = System
            .Text.RegularExpressions.Regex.Match(
                html,
                "name=\"__RequestVerificationToken\" type=\"hidden\" value=\"([^\"]+)\""
            )
            .Groups[1]
            .Value;
        Assert.NotEmpty(token);
    }

    public Task<HttpResponseMessage> Post(string path, Dictionary<string, string> values) =>
        Post(path, values.Select(v => v));

    public Task<HttpResponseMessage> Post(string path, IEnumerable<KeyValuePair<string, string>> values)
    {
        var body = new FormUrlEncodedContent(values.Append(new("__RequestVerificationToken", token)));
        return client.PostAsync(path, body);
    }

    /// <summary>Posts JSON with the form token in its header.</summary>
    public Task<HttpResponseMessage> Json(string path, string json)
    {
        var message = new HttpRequestMessage(HttpMethod.Post, path)
        {
            Content = new StringContent(json, System.Text.Encoding.UTF8, "application/json"),
        };
        message.Headers.Add("RequestVerificationToken", token);
        return client.SendAsync(message);
    }
}
