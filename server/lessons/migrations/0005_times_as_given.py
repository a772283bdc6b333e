"""Times that a file brings stay as they are."""

import django.utils.timezone
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('lessons', '0004_lessons_are_changed'),
    ]

    operations = [
        migrations.AlterField(
            model_name='correction',
            name='made',
            field=models.DateTimeField(default=django.utils.timezone.now, editable=False),
        ),
    ]
