"""Documents can be put away."""

from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('documents', '0002_revisions_never_change'),
    ]

    operations = [
        migrations.AddField(
            model_name='document',
            name='away',
            field=models.BooleanField(default=False),
        ),
    ]
