"""Two kinds of address: the API, and the one page that shows everything else."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.urls import path, re_path
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie

from server.api import api


@never_cache
@ensure_csrf_cookie
def page(_request: HttpRequest) -> HttpResponse:
    """The built front end, for every address of its own."""
    built = settings.WEB_DIST / "index.html"
    if not built.exists():
        return HttpResponse(
            "The front end is not built; run ./fair-corner demo",
            status=503,
            content_type="text/plain",
        )
    return HttpResponse(built.read_bytes())


urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?!api/|assets/).*$", page),
]
