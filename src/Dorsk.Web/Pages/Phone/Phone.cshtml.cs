using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Dorsk.Web.Tls;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>How a phone comes to the farm by HTTPS: fetch the farm's certificate, trust it once, open Dorsk. Open to everybody: nothing of the farm stands on it.</summary>
[Open]
public sealed class PhoneModel : PageModel
{
    /// <summary>Base address by HTTPS; null where the program does not listen so.</summary>
    public string? Secure { get; private set; }

    /// <summary>Where this very page is reached before the certificate is trusted, as a code for the phone; null where there is no HTTPS.</summary>
    public QrPicture? Code { get; private set; }

    /// <summary>The same as an address.</summary>
    public string Address { get; private set; } = "";

    /// <summary>The farm's certificate; null where there is none.</summary>
    public FarmAuthority? Authority { get; private set; }

    /// <summary>The page that was asked for before.</summary>
    public string To { get; private set; } = "/";

    /// <summary>The page.</summary>
    public void OnGet([FromQuery] string? to)
    {
        To = to is not null && Url.IsLocalUrl(to) ? to : "/";
        if (HttpContext.RequestServices.GetService<ShownCertificate>() is not { } shown)
            return;
        Authority = shown.Authority;
        Secure = FarmTls.Secure(HttpContext);
        Address = (FarmTls.Plain(HttpContext) ?? Secure) + FarmTls.Page;
        Code = QrPicture.Of(Address);
    }
}
