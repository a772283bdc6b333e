"""Revisions go only where a learner is erased, who has a right to it; they still never change."""

import django.utils.timezone
from django.db import migrations, models

GUARD = """
CREATE OR REPLACE FUNCTION refuse_revision_change() RETURNS trigger AS $$
BEGIN
  IF TG_OP = 'DELETE' AND current_setting('fair_corner.erasing', true) = 'on' THEN
    RETURN OLD;
  END IF;
  RAISE EXCEPTION 'a revision never changes; write a new one';
END $$ LANGUAGE plpgsql;
"""
BEFORE = """
CREATE OR REPLACE FUNCTION refuse_revision_change() RETURNS trigger AS $$
BEGIN
  RAISE EXCEPTION 'a revision never changes; write a new one';
END $$ LANGUAGE plpgsql;
"""


class Migration(migrations.Migration):
    dependencies = [("documents", "0003_document_away")]
    operations = [
        migrations.RunSQL(GUARD, BEFORE),
        migrations.AlterField(
            "revision",
            "created",
            models.DateTimeField(default=django.utils.timezone.now, editable=False),
        ),
    ]
