using Dorsk.Core.People;
using Dorsk.Web.Slips;

namespace Dorsk.Web.People;

/// <summary>What somebody must be allowed to use a page, a handler or an endpoint. Without one it stays shut for everybody.</summary>
[AttributeUsage(AttributeTargets.Class | AttributeTargets.Method)]
public class NeedsAttribute(Permission permission) : Attribute
{
    /// <summary>What is needed to use it at all.</summary>
    public Permission Permission { get; } = permission;

    /// <summary>What is needed for this very request.</summary>
    public virtual Permission For(HttpContext context) => Permission;
}

/// <summary>Open to everybody, signed in or not.</summary>
[AttributeUsage(AttributeTargets.Class | AttributeTargets.Method)]
public sealed class OpenAttribute : Attribute;

/// <summary>A slip says itself what it needs; opening a line for correction asks more, and the page looks closer.</summary>
public sealed class NeedsOfSlipAttribute() : NeedsAttribute(Permission.Write)
{
    public override Permission For(HttpContext context) =>
        AllSlips.Find(context.GetRouteValue("key") as string ?? "") is { } slip ? slip.Needs : Permission.Look;
}

/// <summary>A handler that is sent JSON. All others are sent forms, and anything else is refused before it reaches them.</summary>
[AttributeUsage(AttributeTargets.Method)]
public sealed class TakesJsonAttribute : Attribute;
