"""`python -m server.upkeep`: the database brought up to what this application keeps in it."""

import django
from django.core.management import call_command

if __name__ == "__main__":
    # In one process: loading the application takes longer than looking.
    django.setup()
    call_command("migrate", interactive=False)
    call_command("createcachetable")
