"""Django settings. Everything that differs between machines comes from the environment."""

import os
from datetime import timedelta
from pathlib import Path

import dj_database_url
from django.core.management.utils import get_random_secret_key

from server.fingerprint import fingerprint

BASE_DIR = Path(__file__).resolve().parent.parent
WEB_DIST = BASE_DIR / "web" / "dist"

# The start command keeps a key in its git-ignored folder; without one, sessions end with it.
SECRET_KEY = os.environ.get("FAIR_CORNER_SECRET_KEY") or get_random_secret_key()
DEBUG = False
ALLOWED_HOSTS = os.environ.get("FAIR_CORNER_HOSTS", "127.0.0.1,localhost,[::1],testserver").split(
    ","
)
CSRF_TRUSTED_ORIGINS = [o for o in os.environ.get("FAIR_CORNER_ORIGINS", "").split(",") if o]

INSTALLED_APPS = [
    "django.contrib.auth",
    "django.contrib.contenttypes",
    "django.contrib.sessions",
    "axes",
    "csp",
    "procrastinate.contrib.django",
    "simple_history",
    "server.schools",
    "server.documents",
    "server.planning",
    "server.lessons",
    "server.progress",
    "server.calendars",
    "server.mock_tests",
    "server.long_work",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "csp.middleware.CSPMiddleware",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.middleware.gzip.GZipMiddleware",
    "server.edge.edge",
    "django.contrib.sessions.middleware.SessionMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.contrib.auth.middleware.AuthenticationMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "axes.middleware.AxesMiddleware",
    "simple_history.middleware.HistoryRequestMiddleware",
]
TEMPLATES = [
    {
        "BACKEND": "django.template.backends.django.DjangoTemplates",
        "DIRS": [BASE_DIR / "server" / app / "templates" for app in ("cards", "lessons")],
    }
]
ROOT_URLCONF = "server.urls"
WSGI_APPLICATION = "server.wsgi.application"

DATABASES = {
    "default": dj_database_url.config(
        default="postgresql://faircorner@127.0.0.1:5433/faircorner",
        conn_max_age=600,
        # A database that was started again is found again.
        conn_health_checks=True,
    )
}
# A question asked again on the same connection is not planned again.
DATABASES["default"].setdefault("OPTIONS", {}).update(server_side_binding=True, prepare_threshold=2)
# What one process has worked out all have: nothing is shared but the database.
# An upgrade brings another: what an older one worked out is not given for this one's.
CORE = fingerprint(BASE_DIR / "core" / "faircorner")
CACHES = {
    "default": {
        "BACKEND": "django.core.cache.backends.db.DatabaseCache",
        "LOCATION": "worked_out",
        "KEY_PREFIX": CORE,
        "TIMEOUT": 24 * 60 * 60,
        "OPTIONS": {"MAX_ENTRIES": 3_000},
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

AUTHENTICATION_BACKENDS = [
    "axes.backends.AxesStandaloneBackend",
    "django.contrib.auth.backends.ModelBackend",
    "server.schools.backend.MemberSessions",
]
# A link to choose a password by is good for three days.
PASSWORD_RESET_TIMEOUT = 3 * 24 * 60 * 60
AUTH_PASSWORD_VALIDATORS = [
    {"NAME": f"django.contrib.auth.password_validation.{name}", "OPTIONS": options}
    for name, options in {
        "MinimumLengthValidator": {"min_length": 10},
        "UserAttributeSimilarityValidator": {"user_attributes": ["username"]},
        "CommonPasswordValidator": {},
        "NumericPasswordValidator": {},
    }.items()
]
# What was kept by another is kept anew when its owner next signs in.
PASSWORD_HASHERS = [
    "server.schools.hashing.Argon2id",
    "django.contrib.auth.hashers.PBKDF2PasswordHasher",
]
AXES_FAILURE_LIMIT = 8
AXES_COOLOFF_TIME = timedelta(minutes=15)
AXES_LOCKOUT_PARAMETERS = [["username", "ip_address"]]
AXES_RESET_ON_SUCCESS = True
AXES_USERNAME_CALLABLE = "server.schools.known_devices.counted_as"

# Where letters are handed in; without a host links are copied by hand.
EMAIL_HOST = os.environ.get("EMAIL_HOST", "")
EMAIL_PORT = int(os.environ.get("EMAIL_PORT", "587"))
EMAIL_HOST_USER = os.environ.get("EMAIL_HOST_USER", "")
EMAIL_HOST_PASSWORD = os.environ.get("EMAIL_HOST_PASSWORD", "")
EMAIL_USE_TLS = os.environ.get("EMAIL_USE_TLS", "1") == "1"
EMAIL_TIMEOUT = 15
DEFAULT_FROM_EMAIL = os.environ.get("DEFAULT_FROM_EMAIL", "fair-corner@localhost")

# Lists come by pages.
NINJA_PAGINATION_CLASS = "server.lists.Pages"
NINJA_PAGINATION_PER_PAGE = 50
NINJA_PAGINATION_MAX_LIMIT = 500

# A worker computes, so it does one thing at a time; asked to end, it hands back what it is at.
PROCRASTINATE_WORKER_DEFAULTS = {
    "concurrency": 1, "shutdown_graceful_timeout": 1.0, "delete_jobs": "always",
}  # fmt: skip

SESSION_COOKIE_HTTPONLY = True
SESSION_COOKIE_SAMESITE = "Lax"
SESSION_COOKIE_AGE = 60 * 60 * 24 * 30
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
# Behind our own front, which says itself where a request came from and how.
BEHIND_FRONT = os.environ.get("FAIR_CORNER_BEHIND_FRONT") == "1"
# Behind a proxy that speaks HTTPS to the outside nothing may travel in the clear.
_HTTPS = os.environ.get("FAIR_CORNER_HTTPS") == "1"
SESSION_COOKIE_SECURE = CSRF_COOKIE_SECURE = SECURE_SSL_REDIRECT = _HTTPS
# Asked on this machine itself, by whoever looks after it.
SECURE_REDIRECT_EXEMPT = [r"^api/health$"]
SECURE_HSTS_SECONDS = 365 * 24 * 60 * 60 if _HTTPS else 0
SECURE_HSTS_INCLUDE_SUBDOMAINS = SECURE_HSTS_PRELOAD = _HTTPS
SECURE_PROXY_SSL_HEADER = ("HTTP_X_FORWARDED_PROTO", "https") if _HTTPS and BEHIND_FRONT else None
# Scripts come from here alone; styles are also written into the page, by the screens' own library.
CONTENT_SECURITY_POLICY = {
    "DIRECTIVES": {
        "default-src": ["'self'"],
        "script-src": ["'self'"],
        "style-src": ["'self'", "'unsafe-inline'"],
        "img-src": ["'self'", "data:", "blob:"],
        "object-src": ["'none'"],
        "base-uri": ["'self'"],
        "form-action": ["'self'"],
        "frame-ancestors": ["'none'"],
    }
}
DATA_UPLOAD_MAX_MEMORY_SIZE = 1_000_000

STATIC_URL = "/static/"
WHITENOISE_ROOT = WEB_DIST
WHITENOISE_INDEX_FILE = False


def _is_hashed(_path: str, url: str) -> bool:
    """Vite puts a hash of the content into the name of everything under assets."""
    return url.startswith("/assets/")


WHITENOISE_IMMUTABLE_FILE_TEST = _is_hashed

USE_TZ = True
TIME_ZONE = "UTC"
LANGUAGE_CODE = "en-gb"

LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"told": {"format": "%(asctime)s %(levelname)s %(name)s %(message)s"}},
    "handlers": {"console": {"class": "logging.StreamHandler", "formatter": "told"}},
    "root": {"handlers": ["console"], "level": "WARNING"},
}
