"""A seat is somebody's usual one."""

import django.db.models.deletion
from django.db import migrations, models


def as_they_sat(apps, _editor):
    """A seat on the sheets of one learner alone is theirs."""
    documents = apps.get_model("documents", "Document")
    for seat in documents.objects.filter(kind="seat").iterator(chunk_size=500):
        drove = documents.objects.filter(
            pk=seat.pk, revisions__seat_sheets__learner__isnull=False
        ).values_list("revisions__seat_sheets__learner", flat=True)
        sitters = list(drove.distinct()[:2])
        if len(sitters) == 1:
            documents.objects.filter(pk=seat.pk).update(sitter_id=sitters[0])


class Migration(migrations.Migration):
    dependencies = [
        ("documents", "0004_erasing"),
        ("planning", "0003_times_as_given"),
        ("schools", "0003_trainees_and_history"),
    ]
    operations = [
        migrations.AddField(
            "document",
            "sitter",
            models.ForeignKey(
                blank=True,
                null=True,
                on_delete=django.db.models.deletion.SET_NULL,
                related_name="seats",
                to="schools.member",
            ),
        ),
        migrations.RunPython(as_they_sat, migrations.RunPython.noop),
        migrations.AddConstraint(
            "document",
            models.CheckConstraint(
                condition=models.Q(kind="seat") | models.Q(sitter__isnull=True),
                name="only_seats_have_a_sitter",
            ),
        ),
    ]
