using System.Text.RegularExpressions;
using Dorsk.Core.Species;
using Microsoft.AspNetCore.Mvc.Infrastructure;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>What the work needs, with the page that does it and the test that would notice: the list in docs names only pages and tests that are there.</summary>
public class NeedsTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    [Fact]
    public void Every_need_in_the_list_has_its_page_and_its_test()
    {
        var root = Root();
        var rows = Csv.Rows(File.ReadAllText(Path.Combine(root, "docs", "needs.csv")));
        var tests = string.Join(
            '\n',
            Directory
                .EnumerateFiles(Path.Combine(root, "tests"), "*.cs", SearchOption.AllDirectories)
                .Where(f => !f.Contains("/obj/", StringComparison.Ordinal))
                .Select(File.ReadAllText)
        );
        var named = Regex
            .Matches(tests, @"public (?:async )?(?:void|Task|Property) (\w+)\(")
            .Select(m => m.Groups[1].Value)
            .ToHashSet();
        Assert.All(rows, r => Assert.Contains(r["test"], named));
        // Those that are answered by a row of data have that row.
        Assert.Superset(
            rows.Where(r => r["test"] == nameof(AnswerTests.A_calculator_answers_the_need_with_its_figure))
                .Select(r => r["need"])
                .ToHashSet(),
            AnswerTests.Answered.ToHashSet()
        );
        Assert.All(rows, r => Assert.True(IsServed(r["page"]), r["page"]));
        Assert.Equal(rows.Count, rows.Select(r => r["need"]).Distinct().Count());
        Assert.All(rows, r => Assert.Matches("^[A-Z]+-[0-9]{2}$", r["need"]));
        Assert.All(rows, r => Assert.True(r["in own words"].Length > 10));
    }

    private bool IsServed(string page)
    {
        var routes = farm
            .Services.GetRequiredService<IActionDescriptorCollectionProvider>()
            .ActionDescriptors.Items.Select(d => "/" + d.AttributeRouteInfo?.Template?.Trim('/'))
            .ToHashSet();
        if (routes.Contains(page))
            return true;
        // A slip is one page with a name.
        var slip = Regex.Match(page, "/slip/([a-z-]+)$").Groups[1].Value;
        return slip.Length > 0 && Slips.AllSlips.Find(slip) is not null;
    }

    private static string Root()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Dorsk.slnx")))
            folder = Path.GetDirectoryName(folder) ?? throw new InvalidOperationException("The sources are not here.");
        return folder;
    }
}
