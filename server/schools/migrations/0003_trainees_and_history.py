"""Trainee instructors, e-mail addresses, and what people were called before."""

import django.db.models.deletion
import simple_history.models
from django.conf import settings
from django.db import migrations, models
from django.utils import timezone


def as_they_are(apps, _editor):
    """What is there already is the first state that its history tells."""
    row, was = apps.get_model("schools", "Member"), apps.get_model("schools", "HistoricalMember")
    known = ['id', 'name', 'role', 'email', 'note', 'school_id', 'user_id']
    rows = row.objects.values(*known).iterator(chunk_size=500)
    was.objects.bulk_create(
        (was(**one, history_type="+", history_date=timezone.now()) for one in rows),
        batch_size=500,
    )


class Migration(migrations.Migration):

    dependencies = [
        ('schools', '0002_locale_and_time_zone'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField(
            model_name='member',
            name='email',
            field=models.EmailField(blank=True, max_length=254),
        ),
        migrations.AlterField(
            model_name='member',
            name='role',
            field=models.CharField(choices=[('lead', 'Lead'), ('instructor', 'Instructor'), ('trainee', 'Trainee instructor'), ('learner', 'Learner')], max_length=10),
        ),
        migrations.CreateModel(
            name='HistoricalMember',
            fields=[
                ('id', models.BigIntegerField(auto_created=True, blank=True, db_index=True, verbose_name='ID')),
                ('name', models.CharField(max_length=120)),
                ('role', models.CharField(choices=[('lead', 'Lead'), ('instructor', 'Instructor'), ('trainee', 'Trainee instructor'), ('learner', 'Learner')], max_length=10)),
                ('email', models.EmailField(blank=True, max_length=254)),
                ('note', models.CharField(blank=True, max_length=300)),
                ('history_id', models.AutoField(primary_key=True, serialize=False)),
                ('history_date', models.DateTimeField(db_index=True)),
                ('history_change_reason', models.CharField(max_length=100, null=True)),
                ('history_type', models.CharField(choices=[('+', 'Created'), ('~', 'Changed'), ('-', 'Deleted')], max_length=1)),
                ('history_user', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('school', models.ForeignKey(blank=True, db_constraint=False, null=True, on_delete=django.db.models.deletion.DO_NOTHING, related_name='+', to='schools.school')),
                ('user', models.ForeignKey(blank=True, db_constraint=False, null=True, on_delete=django.db.models.deletion.DO_NOTHING, related_name='+', to=settings.AUTH_USER_MODEL)),
            ],
            options={
                'verbose_name': 'historical member',
                'verbose_name_plural': 'historical members',
                'ordering': ('-history_date', '-history_id'),
                'get_latest_by': ('history_date', 'history_id'),
            },
            bases=(simple_history.models.HistoricalChanges, models.Model),
        ),
        migrations.RunPython(as_they_are, migrations.RunPython.noop),
    ]
