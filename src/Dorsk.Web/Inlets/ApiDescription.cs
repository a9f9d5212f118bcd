using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Dorsk.Web.Inlets;

/// <summary>A parameter of a machine's address, as it is described.</summary>
/// <param name="Name">Name.</param>
/// <param name="Says">What it is.</param>
/// <param name="InPath">Whether it stands in the path; else behind the question mark.</param>
/// <param name="Required">Whether it must be there.</param>
/// <param name="IsInstant">Whether it is an instant such as 2027-01-21T17:45:00+10:00.</param>
internal sealed record ApiParameter(
    string Name,
    string Says,
    bool InPath = false,
    bool Required = false,
    bool IsInstant = false
);

/// <summary>What the description of the machines' addresses says beside paths and answers: the key that opens them, and parameters.</summary>
internal static class ApiDescription
{
    private const string Key = "deviceKey";

    /// <summary>The key of a device opens every address under /api.</summary>
    public static void Describe(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Components ??= new OpenApiComponents();
                document.Components.SecuritySchemes ??= new Dictionary<string, IOpenApiSecurityScheme>();
                document.Components.SecuritySchemes[Key] = new OpenApiSecurityScheme
                {
                    Type = SecuritySchemeType.Http,
                    Scheme = "bearer",
                    Description = "Key of a device, made under Setup, Devices.",
                };
                return Task.CompletedTask;
            }
        );
        options.AddOperationTransformer(
            (operation, context, _) =>
            {
                if (context.Description.RelativePath?.StartsWith("api/", StringComparison.Ordinal) == true)
                    operation.Security =
                    [
                        new OpenApiSecurityRequirement
                        {
                            [new OpenApiSecuritySchemeReference(Key, context.Document)] = [],
                        },
                    ];
                return Task.CompletedTask;
            }
        );
    }

    /// <summary>Says which parameters an address takes.</summary>
    public static RouteHandlerBuilder Takes(this RouteHandlerBuilder builder, params ApiParameter[] parameters) =>
        builder.AddOpenApiOperationTransformer(
            (operation, _, _) =>
            {
                operation.Parameters ??= [];
                foreach (var p in parameters)
                    operation.Parameters.Add(
                        new OpenApiParameter
                        {
                            Name = p.Name,
                            Description = p.Says,
                            In = p.InPath ? ParameterLocation.Path : ParameterLocation.Query,
                            Required = p.InPath || p.Required,
                            Schema = new OpenApiSchema
                            {
                                Type = JsonSchemaType.String,
                                Format = p.IsInstant ? "date-time" : null,
                            },
                        }
                    );
                return Task.CompletedTask;
            }
        );
}
