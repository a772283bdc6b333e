from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("schools", "0004_what_is_on_the_pad")]

    operations = [
        migrations.AddField(
            model_name="school",
            name="wheel",
            field=models.CharField(
                choices=[("turns", "turns"), ("clock", "clock face")],
                default="turns",
                max_length=5,
            ),
        ),
    ]
