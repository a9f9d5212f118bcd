using System.Reflection;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ApplicationModels;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace Dorsk.Web;

/// <summary>
/// What the pages are made of, found at the start. The framework works out how each public property of a page could be bound; of the
/// hundreds that only show something it is not asked: it was a good part of the start.
/// </summary>
/// <param name="usual">The framework's own.</param>
internal sealed class PageParts(IPageApplicationModelPartsProvider usual) : IPageApplicationModelPartsProvider
{
    /// <summary>Puts it in the place of the framework's own.</summary>
    public static void Use(IServiceCollection services)
    {
        var framework = services.Single(s => s.ServiceType == typeof(IPageApplicationModelPartsProvider));
        services.Remove(framework);
        services.AddSingleton<IPageApplicationModelPartsProvider>(s => new PageParts(
            (IPageApplicationModelPartsProvider)ActivatorUtilities.CreateInstance(s, framework.ImplementationType!)
        ));
    }

    public PagePropertyModel CreatePropertyModel(PropertyInfo property)
    {
        var attributes = property.GetCustomAttributes(inherit: true);
        var isBound =
            attributes.Any(a => a is IBindingSourceMetadata or IModelNameProvider or BindPropertyAttribute)
            || property.DeclaringType?.GetCustomAttribute<BindPropertiesAttribute>() is not null;
        return isBound
            ? usual.CreatePropertyModel(property)
            : new(property, attributes) { PropertyName = property.Name };
    }

    public PageHandlerModel? CreateHandlerModel(MethodInfo method) => usual.CreateHandlerModel(method);

    public PageParameterModel CreateParameterModel(ParameterInfo parameter) => usual.CreateParameterModel(parameter);

    public bool IsHandler(MethodInfo methodInfo) => usual.IsHandler(methodInfo);
}
