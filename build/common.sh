# Shared by ./keen-tally and ./check: finds a JDK 25 and Maven, and what Debian packages are missing. To be sourced.

top=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)

say() { printf '%s\n' "$*" >&2; }

# By its own note where it has one: starting it takes half a second.
is_jdk_25() {
  [ -x "$1/bin/javac" ] || return 1
  if [ -r "$1/release" ]; then
    grep -Eq '^JAVA_VERSION="(2[5-9]|[3-9][0-9])' "$1/release"
  else
    "$1/bin/javac" -version 2>&1 | grep -Eq '^javac (2[5-9]|[3-9][0-9])'
  fi
}

# JAVA_HOME, then PATH, then /usr/lib/jvm.
find_jdk() {
  local candidate
  local from_path
  from_path=$(command -v javac 2>/dev/null) && from_path=$(dirname "$(dirname "$(readlink -f "$from_path")")")
  for candidate in "${JAVA_HOME:-}" "$from_path" /usr/lib/jvm/*; do
    if [ -n "$candidate" ] && is_jdk_25 "$candidate"; then
      export JAVA_HOME=$candidate
      return 0
    fi
  done
  return 1
}

# need_packages COMMAND-OR-LIBRARY=PACKAGE...: installs what is missing where this is root, else says the line to type.
need_packages() {
  local pair what package missing=()
  for pair in "$@"; do
    what=${pair%%=*} package=${pair#*=}
    case $what in
      lib*) [[ $(PATH=$PATH:/sbin ldconfig -p 2>/dev/null) == *"$what"* ]] || missing+=("$package") ;;
      *) command -v "$what" >/dev/null 2>&1 || missing+=("$package") ;;
    esac
  done
  [ ${#missing[@]} -eq 0 ] && return 0
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; then
    say "Installing ${missing[*]} ..."
    { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "${missing[@]}"; } >/dev/null 2>&1 && return 0
    say "Installing ${missing[*]} failed."
  fi
  say "Missing on this machine; type:  sudo apt-get install ${missing[*]}"
  return 1
}

need_java() {
  find_jdk && return 0
  need_packages no-jdk-25=openjdk-25-jdk-headless || { say "Keen Tally needs a JDK 25; set JAVA_HOME to one."; return 1; }
  find_jdk || { say "Keen Tally needs a JDK 25; set JAVA_HOME to one."; return 1; }
}
