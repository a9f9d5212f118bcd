using System.Net;
using System.Net.Http.Headers;
using Dorsk.Core.People;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Nobody gets in who does not belong, and nobody who belongs is shut out by a stranger.</summary>
public sealed class SignInTests : IDisposable
{
    private const string Password = "four plain words",
        Other = "other plain words";
    private readonly SmallFarm farm = new();

    private T The<T>()
        where T : notnull => farm.Services.GetRequiredService<T>();

    private PersonNamed Person(Role role) => The<Questions>().People().First(p => p.Role == role);

    private async Task<Visitor> In(Role role)
    {
        The<Accounts>().SetPassword(Person(role), Password);
        var visitor = await farm.As(role);
        return visitor;
    }

    [Fact]
    public async Task A_changed_password_asks_every_browser_of_that_person_to_sign_in_in_words()
    {
        var (first, second, manager) = (
            await In(Role.PondHand),
            await farm.As(Role.PondHand),
            await farm.As(Role.Manager)
        );
        Assert.Equal(HttpStatusCode.OK, (await second.Client.GetAsync("/ponds")).StatusCode);
        await manager.Token("/setup/people");
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await manager.Post(
                    "/setup/people?handler=Password",
                    new() { ["person"] = $"{Person(Role.PondHand).PersonId}", ["password"] = Other }
                )
            ).StatusCode
        );
        foreach (var browser in new[] { first, second })
        {
            var answer = await browser.Client.GetAsync("/ponds");
            Assert.Equal(
                (HttpStatusCode.Redirect, true),
                (
                    answer.StatusCode,
                    answer.Headers.Location!.ToString().StartsWith("/sign-in?back=", StringComparison.Ordinal)
                )
            );
            Assert.Equal(HttpStatusCode.OK, (await browser.Client.GetAsync("/sign-in")).StatusCode);
        }
        Assert.Equal(HttpStatusCode.OK, (await manager.Client.GetAsync("/ponds")).StatusCode);
    }

    [Fact]
    public async Task A_person_who_changes_the_password_stays_signed_in_here_and_is_asked_elsewhere()
    {
        var (here, elsewhere) = (await In(Role.Viewer), await farm.As(Role.Viewer));
        await here.Token("/me");
        var wrong = await here.Post(
            "/me",
            new()
            {
                ["old"] = "not this one",
                ["password"] = Other,
                ["again"] = Other,
            }
        );
        Assert.Equal(HttpStatusCode.UnprocessableEntity, wrong.StatusCode);
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await here.Post(
                    "/me",
                    new()
                    {
                        ["old"] = Password,
                        ["password"] = Other,
                        ["again"] = Other,
                    }
                )
            ).StatusCode
        );
        Assert.Equal(HttpStatusCode.OK, (await here.Client.GetAsync("/ponds")).StatusCode);
        Assert.Equal(HttpStatusCode.Redirect, (await elsewhere.Client.GetAsync("/ponds")).StatusCode);
    }

    [Fact]
    public async Task A_copied_cookie_dies_with_the_session_and_a_person_who_left_is_out()
    {
        var hand = await farm.As(Role.PondHand);
        var cookies = await Cookies(Role.PondHand);
        async Task<HttpStatusCode> WithCopy()
        {
            using var client = farm.CreateClient(new() { AllowAutoRedirect = false, HandleCookies = false });
            using var ask = new HttpRequestMessage(HttpMethod.Get, "/ponds");
            ask.Headers.Add("Cookie", cookies.Header);
            ask.Headers.Accept.Add(new MediaTypeWithQualityHeaderValue("text/html"));
            return (await client.SendAsync(ask)).StatusCode;
        }
        Assert.Equal(HttpStatusCode.OK, await WithCopy());
        await cookies.Visitor.Post("/sign-out", []);
        Assert.Equal(HttpStatusCode.Redirect, await WithCopy());
        Assert.Equal(HttpStatusCode.OK, (await hand.Client.GetAsync("/ponds")).StatusCode);
        Assert.True(
            The<Door>()
                .Enter(
                    Entry.Of(Guid.NewGuid(), "Manager", SmallFarm.Now, Person(Role.PondHand) with { Role = Role.Gone })
                )
                .Accepted
        );
        Assert.Equal(HttpStatusCode.Redirect, (await hand.Client.GetAsync("/ponds")).StatusCode);
    }

    private async Task<(Visitor Visitor, string Header)> Cookies(Role role)
    {
        var client = farm.CreateClient(new() { AllowAutoRedirect = false });
        client.DefaultRequestHeaders.Accept.ParseAdd("text/html");
        var visitor = new Visitor(client);
        await visitor.Token("/sign-in");
        var answer = await visitor.Post("/sign-in?handler=Demo", new() { ["person"] = $"{Person(role).PersonId}" });
        var header = answer
            .Headers.GetValues("Set-Cookie")
            .First(c =>
                c.StartsWith("dorsk-person=", StringComparison.Ordinal)
                && !c.StartsWith("dorsk-person=;", StringComparison.Ordinal)
            )
            .Split(';')[0];
        await visitor.Token("/me");
        return (visitor, header);
    }

    [Fact]
    public void A_stranger_cannot_shut_a_name_for_others_and_unknown_names_are_counted_alike()
    {
        var tries = new Tries(TimeProvider.System);
        Parallel.For(0, 20, _ => tries.Failed("Manager", "10.0.0.66"));
        Assert.True(tries.IsShut("MANAGER ", "10.0.0.66"));
        Assert.False(tries.IsShut("Manager", "10.0.0.1"));
        for (var i = 0; i < Tries.Most; i++)
            tries.Failed("Nobody at all", "10.0.0.66");
        Assert.True(tries.IsShut("nobody at all", "10.0.0.66"));
        tries.Clear("manager");
        Assert.False(tries.IsShut("Manager", "10.0.0.66"));
    }

    [Fact]
    public async Task Known_and_unknown_names_get_the_same_words()
    {
        The<Accounts>().SetPassword(Person(Role.Manager), Password);
        var visitor = await farm.As(null);
        async Task<(HttpStatusCode, string)> Try(string name)
        {
            var answer = await visitor.Post("/sign-in", new() { ["name"] = name, ["password"] = "wrong wrong" });
            var words = System
                .Text.RegularExpressions.Regex.Match(
                    await (await visitor.Client.GetAsync("/sign-in")).Content.ReadAsStringAsync(),
                    "<h1>[^<]*"
                )
                .Value;
            return (answer.StatusCode, words);
        }
        for (var i = 0; i < Tries.Most + 1; i++)
            Assert.Equal(await Try("Manager"), await Try("Somebody else"));
        Assert.False(The<Accounts>().IsRight(null, Password));
        Assert.False(The<Accounts>().IsRight(The<Accounts>().Of(Person(Role.Viewer)), ""));
        Assert.True(The<Accounts>().IsRight(The<Accounts>().Named("manager"), Password));
    }

    [Fact]
    public async Task Behind_a_named_proxy_cookies_are_secure_and_nobody_else_is_believed()
    {
        farm.Settings["proxy"] = "10.1.1.1";
        var client = farm.WithAddress(IPAddress.Parse("10.1.1.1"));
        async Task<HttpResponseMessage> Ask(HttpClient from)
        {
            var ask = new HttpRequestMessage(HttpMethod.Get, "/sign-in");
            ask.Headers.Add("X-Forwarded-Proto", "https");
            ask.Headers.Add("X-Forwarded-For", "203.0.113.7");
            return await from.SendAsync(ask);
        }
        var believed = await Ask(client);
        Assert.All(believed.Headers.GetValues("Set-Cookie"), c =>
            Assert.Contains("secure", c, StringComparison.OrdinalIgnoreCase)
        );
        Assert.True(believed.Headers.Contains("Strict-Transport-Security"));
        var stranger = await Ask(farm.WithAddress(IPAddress.Parse("10.9.9.9")));
        Assert.All(stranger.Headers.GetValues("Set-Cookie"), c =>
            Assert.DoesNotContain("secure", c, StringComparison.OrdinalIgnoreCase)
        );
        Assert.False(stranger.Headers.Contains("Strict-Transport-Security"));
    }

    public void Dispose() => farm.Dispose();
}
