"""Times that a file brings stay as they are."""

import django.utils.timezone
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('planning', '0002_last_used'),
    ]

    operations = [
        migrations.AlterField(
            model_name='cuesheet',
            name='created',
            field=models.DateTimeField(default=django.utils.timezone.now, editable=False),
        ),
    ]
