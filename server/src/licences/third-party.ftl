<#-- A table of what ships: name, where it comes from, its licences. -->
| what | version | licence |
|---|---|---|
<#list dependencyMap as entry>
<#assign project = entry.getKey()/>
<#assign licences = entry.getValue()/>
| [${(project.name!project.artifactId)?replace("|", "/")}](${(project.url!"")?trim}) `${project.groupId}:${project.artifactId}` | ${project.version} | <#list licences as licence>${licence}<#if licence_has_next>, </#if></#list> |
</#list>
