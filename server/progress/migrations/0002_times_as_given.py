"""Times that a file brings stay as they are."""

import django.utils.timezone
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('progress', '0001_initial'),
    ]

    operations = [
        migrations.AlterField(
            model_name='shift',
            name='taken',
            field=models.DateTimeField(default=django.utils.timezone.now, editable=False),
        ),
    ]
