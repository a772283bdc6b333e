"""`python -m server.long_work`: a worker, until it is asked to end."""

import django
from procrastinate.contrib.django import app
from procrastinate.contrib.django.django_connector import DjangoConnector


def main() -> None:
    django.setup()
    with app.replace_connector(DjangoConnector().get_worker_connector()) as with_pool:
        with_pool.run_worker()


if __name__ == "__main__":
    main()
