"""Verdicts given before looks that nobody noted were told apart from looks that were done."""

from django.db import migrations

OF_LOOKS = {"looks_missed", "looks_late", "prompts"}


def unwatched_of(notes, looks):
    """The looks of a sheet of which the notes say nothing."""
    noted = [*notes["looks"], *[None] * (len(looks) - len(notes["looks"]))]
    return [
        {"step": look["step"], "look": look["look"]}
        for look, done in zip(looks, noted, strict=False)
        if done is None
    ]


def tell_apart(apps, _editor):
    taped = apps.get_model("lessons", "Attempt").objects.filter(tape__isnull=False)
    for attempt in taped.select_related("cue_sheet").iterator(chunk_size=500):
        verdict = attempt.tape["verdict"]
        verdict["unwatched"] = unwatched_of(attempt.notes, attempt.cue_sheet.plan["looks"])
        for finding in verdict["findings"]:
            of_looks = finding["measure"] in OF_LOOKS
            finding["unwatched"] = len(verdict["unwatched"]) if of_looks else 0
        verdict["whole"] = not any(finding["unwatched"] for finding in verdict["findings"])
        attempt.save(update_fields=["tape"])


class Migration(migrations.Migration):
    dependencies = [("lessons", "0002_corrections"), ("planning", "0001_initial")]
    operations = [migrations.RunPython(tell_apart, migrations.RunPython.noop)]
