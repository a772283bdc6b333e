"""Lessons have a place and notes, are moved and cancelled, and keep how they were."""

import django.db.models.deletion
import simple_history.models
from django.conf import settings
from django.db import migrations, models
from django.utils import timezone


def as_they_are(apps, _editor):
    """What is there already is the first state that its history tells."""
    row, was = apps.get_model("lessons", "Lesson"), apps.get_model("lessons", "HistoricalLesson")
    known = ['id', 'starts', 'minutes', 'about', 'place', 'notes', 'cancelled', 'version', 'instructor_id', 'learner_id', 'school_id']
    rows = row.objects.values(*known).iterator(chunk_size=500)
    was.objects.bulk_create(
        (was(**one, history_type="+", history_date=timezone.now()) for one in rows),
        batch_size=500,
    )


class Migration(migrations.Migration):

    dependencies = [
        ('lessons', '0003_unwatched_looks'),
        ('schools', '0003_trainees_and_history'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField(
            model_name='lesson',
            name='cancelled',
            field=models.BooleanField(default=False),
        ),
        migrations.AddField(
            model_name='lesson',
            name='notes',
            field=models.TextField(blank=True, max_length=4000),
        ),
        migrations.AddField(
            model_name='lesson',
            name='place',
            field=models.CharField(blank=True, max_length=160),
        ),
        migrations.AddField(
            model_name='lesson',
            name='version',
            field=models.PositiveIntegerField(default=1),
        ),
        migrations.CreateModel(
            name='HistoricalLesson',
            fields=[
                ('id', models.BigIntegerField(auto_created=True, blank=True, db_index=True, verbose_name='ID')),
                ('starts', models.DateTimeField()),
                ('minutes', models.PositiveIntegerField(default=60)),
                ('about', models.CharField(blank=True, max_length=300)),
                ('place', models.CharField(blank=True, max_length=160)),
                ('notes', models.TextField(blank=True, max_length=4000)),
                ('cancelled', models.BooleanField(default=False)),
                ('version', models.PositiveIntegerField(default=1)),
                ('history_id', models.AutoField(primary_key=True, serialize=False)),
                ('history_date', models.DateTimeField(db_index=True)),
                ('history_change_reason', models.CharField(max_length=100, null=True)),
                ('history_type', models.CharField(choices=[('+', 'Created'), ('~', 'Changed'), ('-', 'Deleted')], max_length=1)),
                ('history_user', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('instructor', models.ForeignKey(blank=True, db_constraint=False, null=True, on_delete=django.db.models.deletion.DO_NOTHING, related_name='+', to='schools.member')),
                ('learner', models.ForeignKey(blank=True, db_constraint=False, null=True, on_delete=django.db.models.deletion.DO_NOTHING, related_name='+', to='schools.member')),
                ('school', models.ForeignKey(blank=True, db_constraint=False, null=True, on_delete=django.db.models.deletion.DO_NOTHING, related_name='+', to='schools.school')),
            ],
            options={
                'verbose_name': 'historical lesson',
                'verbose_name_plural': 'historical lessons',
                'ordering': ('-history_date', '-history_id'),
                'get_latest_by': ('history_date', 'history_id'),
            },
            bases=(simple_history.models.HistoricalChanges, models.Model),
        ),
        migrations.RunPython(as_they_are, migrations.RunPython.noop),
    ]
