from django.db import migrations


class Migration(migrations.Migration):
    """Its name is its own: what a plan says of a set is called its figures, too."""

    dependencies = [("progress", "0003_figures_of_a_set")]

    operations = [migrations.RenameModel(old_name="SetFigures", new_name="KeptSet")]
