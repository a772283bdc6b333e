"""What the API of lessons takes and answers, by what it is about."""
