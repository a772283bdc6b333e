"""Attempts go into the lesson of their day that was nearest, as from now on they do when kept."""

from django.db import migrations

# Nearest of those that took place on the same day of the school's, as `lesson_at` finds it.
NEAREST = """
UPDATE lessons_attempt attempt SET lesson_id = (
    SELECT lesson.id FROM lessons_lesson lesson
    JOIN schools_school school ON school.id = lesson.school_id
    WHERE lesson.learner_id = sheet.learner_id AND NOT lesson.cancelled
      AND lesson.starts BETWEEN attempt.started - interval '1 day'
                            AND attempt.started + interval '1 day'
      AND (lesson.starts AT TIME ZONE school.time_zone)::date
        = (attempt.started AT TIME ZONE school.time_zone)::date
    ORDER BY greatest(lesson.starts - attempt.started,
                      attempt.started - lesson.starts - lesson.minutes * interval '1 minute',
                      interval '0'), lesson.id
    LIMIT 1
)
FROM planning_cuesheet sheet WHERE sheet.id = attempt.cue_sheet_id
"""


class Migration(migrations.Migration):
    dependencies = [
        ("lessons", "0008_a_lesson_is_a_thing"),
        ("planning", "0003_times_as_given"),
        ("schools", "0003_trainees_and_history"),
    ]
    operations = [migrations.RunSQL(NEAREST, migrations.RunSQL.noop)]
