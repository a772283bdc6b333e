"""Load the demo data into an empty database; leave a filled one alone."""

import os

import django

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.settings")
    django.setup()

    from server.demo.load import load_demo

    load_demo()
